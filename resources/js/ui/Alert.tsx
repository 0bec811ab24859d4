import clsx from 'clsx'
import type { ReactNode } from 'react'

/** What went wrong, said to readers at once. */
export function Alert({ className, children }: { className?: string; children: ReactNode }) {
    return (
        <p role="alert" className={clsx('text-berry', className)}>
            {children}
        </p>
    )
}
