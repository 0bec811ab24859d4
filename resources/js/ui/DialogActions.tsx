import clsx from 'clsx'
import type { ReactNode } from 'react'

/** The buttons at the end of a form or a dialog: the act last. In a dialog they stay in sight, however long it is. */
export function DialogActions({ className, children }: { className?: string; children: ReactNode }) {
    return (
        <div
            className={clsx(
                'flex justify-end gap-2 in-[[role=dialog]]:sticky in-[[role=dialog]]:-bottom-5 in-[[role=dialog]]:z-10 in-[[role=dialog]]:-mx-5 in-[[role=dialog]]:-mb-5 in-[[role=dialog]]:bg-sheet in-[[role=dialog]]:px-5 in-[[role=dialog]]:pt-3 in-[[role=dialog]]:pb-5',
                className,
            )}
        >
            {children}
        </div>
    )
}
