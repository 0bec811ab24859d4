import clsx from 'clsx'
import { useId, type ComponentProps, type ReactNode } from 'react'

/** Of an input that takes a file. */
export const fileLook =
    'text-[12px] text-ink-2 file:mr-2.5 file:h-[30px] file:cursor-pointer file:rounded-md file:border file:border-edge file:bg-sheet file:px-3 file:font-semibold file:text-ink'

export const inputClasses =
    'w-full rounded-[5px] border border-edge bg-sheet px-2.5 py-1 text-ink leading-5 disabled:border-line disabled:bg-sunk disabled:text-ink-2'

type FrameProps = {
    label: string
    hint?: ReactNode
    error?: string | undefined
    children: (ids: { id: string; describedBy: string }) => ReactNode
    stacked?: boolean
}

/** A label with its control, a hint, and the reason when what was typed is not taken. */
export function FieldFrame({ label, hint, error, children, stacked }: FrameProps) {
    const id = useId()
    return (
        <div className={clsx('grid gap-x-3 gap-y-1', !stacked && 'sm:grid-cols-[104px_1fr]')}>
            <label htmlFor={id} className="pt-[5px] text-ink-2">
                {label}
            </label>
            <div>
                {children({ id, describedBy: `${id}-hint` })}
                <p
                    id={`${id}-hint`}
                    className={clsx(
                        'text-[12px] leading-4',
                        (hint !== undefined || error !== undefined) && 'mt-1',
                        error === undefined ? 'text-ink-3' : 'text-berry',
                    )}
                    role={error === undefined ? undefined : 'alert'}
                >
                    {error ?? hint}
                </p>
            </div>
        </div>
    )
}

type Props = ComponentProps<'input'> & {
    label: string
    hint?: ReactNode
    error?: string | undefined
    mono?: boolean
    stacked?: boolean
}

export function Field({ label, hint, error, mono, stacked, className, ...rest }: Props) {
    return (
        <FieldFrame label={label} hint={hint} error={error} stacked={stacked}>
            {({ id, describedBy }) => (
                <input
                    id={id}
                    aria-describedby={describedBy}
                    aria-invalid={error !== undefined}
                    className={clsx(
                        inputClasses,
                        mono && 'font-mono text-[13px]',
                        error !== undefined && 'border-berry',
                        className,
                    )}
                    {...rest}
                />
            )}
        </FieldFrame>
    )
}
