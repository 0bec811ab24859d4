import { FieldFrame } from '../../ui/Field'
import { FieldControl } from './FieldControl'
import { RowsControl } from './RowsControl'
import type { LayoutField, Refusals, Values } from './values'

type Props = {
    fields: LayoutField[]
    values: Values
    refused: Refusals
    onChange: (key: string, value: unknown) => void
}

/** A form made from the fields of a layout. */
export function FieldsForm({ fields, values, refused, onChange }: Props) {
    return (
        <div className="grid gap-3">
            {fields.map(field =>
                field.kind === 'rows' ? (
                    <fieldset key={field.key} className="grid min-w-0 gap-1">
                        <legend className="font-semibold">{field.title}</legend>
                        {field.description !== '' && <p className="text-[12px] text-ink-3">{field.description}</p>}
                        <RowsControl
                            field={field}
                            value={values[field.key]}
                            refused={refused}
                            onChange={rows => onChange(field.key, rows)}
                        />
                        {refused[field.key] !== undefined && (
                            <p role="alert" className="text-[12px] text-berry">
                                {refused[field.key]}
                            </p>
                        )}
                    </fieldset>
                ) : (
                    <FieldFrame
                        key={field.key}
                        label={field.title}
                        hint={field.description || undefined}
                        error={refused[field.key]}
                    >
                        {({ id, describedBy }) => (
                            <FieldControl
                                field={field}
                                value={values[field.key]}
                                error={refused[field.key]}
                                onChange={value => onChange(field.key, value)}
                                id={id}
                                describedBy={describedBy}
                            />
                        )}
                    </FieldFrame>
                ),
            )}
        </div>
    )
}
