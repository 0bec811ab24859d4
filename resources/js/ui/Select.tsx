import clsx from 'clsx'
import type { ComponentProps } from 'react'
import { inputClasses } from './Field'

type Props<Value extends string | number> = Omit<ComponentProps<'select'>, 'value' | 'onChange'> & {
    value: Value
    /** Values with what they are called. */
    choices: readonly (readonly [Value, string])[]
    onChoose: (value: Value) => void
}

/** One of a few values. */
export function Select<Value extends string | number>({ value, choices, onChoose, className, ...rest }: Props<Value>) {
    return (
        <select
            {...rest}
            className={clsx(inputClasses, className)}
            value={value}
            onChange={event => {
                const chosen = choices.find(([each]) => String(each) === event.target.value)
                if (chosen !== undefined) onChoose(chosen[0])
            }}
        >
            {choices.map(([each, label]) => (
                <option key={each} value={each}>
                    {label}
                </option>
            ))}
        </select>
    )
}
