import clsx from 'clsx'
import type { ComponentProps } from 'react'

type Props = ComponentProps<'button'> & { look?: 'main' | 'plain' | 'quiet' | 'breaks' }

/** A button whose words say the act. One `main` a place. */
export function Button({ look = 'plain', className, type = 'button', ...rest }: Props) {
    return (
        <button
            type={type}
            className={clsx(
                'inline-flex h-[30px] shrink-0 items-center justify-center gap-1.5 rounded-md px-3 font-semibold whitespace-nowrap transition-colors disabled:opacity-55',
                look === 'main' && 'bg-heron text-on-heron enabled:hover:brightness-110',
                look === 'plain' && 'border border-edge bg-sheet text-ink enabled:hover:bg-sunk',
                look === 'quiet' && 'px-2 text-heron enabled:hover:bg-heron-soft',
                look === 'breaks' && 'border border-berry bg-sheet text-berry enabled:hover:bg-berry-soft',
                className,
            )}
            {...rest}
        />
    )
}
