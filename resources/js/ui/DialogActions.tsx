import clsx from 'clsx'
import type { ReactNode } from 'react'

/** The buttons at the end of a form or a dialog: the act last. */
export function DialogActions({ className, children }: { className?: string; children: ReactNode }) {
    return <div className={clsx('flex justify-end gap-2', className)}>{children}</div>
}
