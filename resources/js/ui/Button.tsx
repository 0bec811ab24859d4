import clsx from 'clsx'
import type { ComponentProps } from 'react'

type Variant = 'main' | 'plain' | 'quiet' | 'breaks'
type Props = ComponentProps<'button'> & { variant?: Variant }

/** Of a button, and of a link that does what a button does. */
export const buttonClasses = (variant: Variant = 'plain') =>
    clsx(
        'inline-flex h-[30px] shrink-0 items-center justify-center gap-1.5 rounded-md px-3 font-semibold whitespace-nowrap transition-colors disabled:opacity-55',
        variant === 'main' && 'bg-heron text-on-heron not-disabled:hover:brightness-110',
        variant === 'plain' && 'border border-edge bg-sheet text-ink not-disabled:hover:bg-sunk',
        variant === 'quiet' && 'px-2 text-heron not-disabled:hover:bg-heron-soft',
        variant === 'breaks' && 'border border-berry bg-sheet text-berry not-disabled:hover:bg-berry-soft',
    )

/** A button whose words say the act. One `main` a place. */
export function Button({ variant = 'plain', className, type = 'button', ...rest }: Props) {
    return <button type={type} className={clsx(buttonClasses(variant), className)} {...rest} />
}
