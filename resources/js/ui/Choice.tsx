import clsx from 'clsx'
import type { ComponentProps, ReactNode } from 'react'

/** A box to tick, or one choice of several, with its label. */
export function Choice({
    className,
    children,
    type = 'checkbox',
    ...rest
}: ComponentProps<'input'> & { children: ReactNode }) {
    return (
        <label className={clsx('flex items-center gap-2', className)}>
            <input type={type} className="accent-heron" {...rest} />
            {children}
        </label>
    )
}
