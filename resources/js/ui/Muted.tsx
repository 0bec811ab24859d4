import clsx from 'clsx'
import type { ReactNode } from 'react'

/** A line that explains, quieter than what it explains. `small` beside fields and in lists. */
export function Muted({ small, className, children }: { small?: boolean; className?: string; children: ReactNode }) {
    return <p className={clsx(small === true ? 'text-[12px] text-ink-3' : 'text-ink-2', className)}>{children}</p>
}
