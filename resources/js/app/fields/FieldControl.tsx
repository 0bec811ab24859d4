import { MomentInput } from '../../ui/MomentField'
import clsx from 'clsx'
import { inputClasses } from '../../ui/Field'
import { Select } from '../../ui/Select'
import { NamedFile, NamedPage } from './NamedControls'
import { PictureControl } from './PictureControl'
import { textOfValue, type LayoutField } from './values'

export type ControlProps = {
    field: LayoutField
    value: unknown
    onChange: (value: unknown) => void
    error?: string | undefined
    id?: string | undefined
    describedBy?: string | undefined
    /** Where no label stands beside it. */
    label?: string | undefined
}

/** Takes the value of one field, by its kind. Numbers and amounts are taken as they are typed: the server reads them. */
export function FieldControl({ field, value, onChange, error, id, describedBy, label }: ControlProps) {
    const text = textOfValue(value)
    const given = {
        ...(id === undefined ? {} : { id }),
        ...(describedBy === undefined ? {} : { 'aria-describedby': describedBy }),
        ...(label === undefined ? {} : { 'aria-label': label }),
        'aria-invalid': error !== undefined,
    }
    // In rows there is little room for each.
    const look = clsx(inputClasses, label !== undefined && 'px-1.5!', error !== undefined && 'border-berry')
    const type = (event: { target: { value: string } }) => onChange(event.target.value)
    const fallback = textOfValue(field.fallback)
    switch (field.kind) {
        case 'long-text':
            return <textarea {...given} rows={4} className={look} value={text} placeholder={fallback} onChange={type} />
        case 'number':
        case 'money':
            return (
                <span className="flex items-center gap-2">
                    <input
                        {...given}
                        inputMode="decimal"
                        className={clsx(look, 'max-w-[120px] text-right tabular-nums')}
                        value={text}
                        placeholder={fallback}
                        onChange={type}
                    />
                    {label === undefined && <span className="text-ink-3">{field.unit || field.currency}</span>}
                </span>
            )
        case 'date':
            return (
                <MomentInput
                    kind="day"
                    className="max-w-[220px]"
                    value={text}
                    onChange={onChange}
                    isInvalid={error !== undefined}
                    {...(label === undefined ? { id, describedBy } : { label })}
                />
            )
        case 'choice':
            return (
                <Select
                    {...given}
                    value={text}
                    choices={[
                        ['', fallback === '' ? 'not set' : `as the layout says`],
                        ...field.choices.map(choice => [choice.value, choice.title] as const),
                    ]}
                    onChoose={onChange}
                />
            )
        case 'yes-no':
            return (
                <Select
                    {...given}
                    value={value === true ? 'yes' : value === false ? 'no' : ''}
                    choices={[
                        ['', 'not set'],
                        ['yes', 'yes'],
                        ['no', 'no'],
                    ]}
                    onChoose={chosen => onChange(chosen === '' ? null : chosen === 'yes')}
                />
            )
        case 'page':
            return <NamedPage {...given} title={field.title} value={value} onChange={onChange} />
        case 'file':
            return <NamedFile {...given} title={field.title} value={value} onChange={onChange} />
        case 'picture':
            return (
                <PictureControl field={field} value={value} onChange={onChange} {...(id === undefined ? {} : { id })} />
            )
        default:
            return <input {...given} className={look} value={text} placeholder={fallback} onChange={type} />
    }
}
