import clsx from 'clsx'
import type { ComponentProps } from 'react'

/** A button with a sign in place of words; `aria-label` says the act. */
export function IconButton({ className, ...rest }: ComponentProps<'button'> & { 'aria-label': string }) {
    return (
        <button
            type="button"
            className={clsx('grid size-[30px] shrink-0 place-items-center rounded hover:bg-sunk', className)}
            {...rest}
        />
    )
}
