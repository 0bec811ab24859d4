import clsx from 'clsx'
import type { ComponentProps } from 'react'

type Look = 'main' | 'plain' | 'quiet' | 'breaks'
type Props = ComponentProps<'button'> & { look?: Look }

/** Of a button, and of a link that does what a button does. */
export const buttonLook = (look: Look = 'plain') =>
    clsx(
        'inline-flex h-[30px] shrink-0 items-center justify-center gap-1.5 rounded-md px-3 font-semibold whitespace-nowrap transition-colors disabled:opacity-55',
        look === 'main' && 'bg-heron text-on-heron not-disabled:hover:brightness-110',
        look === 'plain' && 'border border-edge bg-sheet text-ink not-disabled:hover:bg-sunk',
        look === 'quiet' && 'px-2 text-heron not-disabled:hover:bg-heron-soft',
        look === 'breaks' && 'border border-berry bg-sheet text-berry not-disabled:hover:bg-berry-soft',
    )

/** A button whose words say the act. One `main` a place. */
export function Button({ look = 'plain', className, type = 'button', ...rest }: Props) {
    return <button type={type} className={clsx(buttonLook(look), className)} {...rest} />
}
