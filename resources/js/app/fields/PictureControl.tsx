import { useState } from 'react'
import { Button } from '../../ui/Button'
import { inputClasses } from '../../ui/Field'
import { FocusPoint, type Focus } from '../FocusPoint'
import { FileDialog } from '../FileChooser'
import { objectOf, textOfValue, type LayoutField } from './values'

type Props = { field: LayoutField; value: unknown; onChange: (value: unknown) => void; id?: string }

/** A picture with its alternative text and, where the layout crops it, the point that stays in sight. */
export function PictureControl({ field, value, onChange, id }: Props) {
    const [choosing, choose] = useState(false)
    const picture = objectOf(value)
    const file = textOfValue(picture.file)
    const given = objectOf(picture.focus)
    const focus: Focus = { x: Number(given.x ?? 50), y: Number(given.y ?? 50) }
    const set = (change: object) => onChange({ ...picture, ...change })
    return (
        <div className="grid gap-1.5">
            {file !== '' && field.proportions === null && (
                // A fixed height: its button is not pushed down when the picture comes.
                <span className="flex h-[120px]">
                    <img src={`/_files/${file}/picture`} alt="" className="max-h-full max-w-full self-end rounded" />
                </span>
            )}
            {file !== '' && field.proportions !== null && (
                <FocusPoint
                    picture={`/_files/${file}/picture`}
                    proportions={field.proportions}
                    focus={focus}
                    onFocus={at => set({ focus: at })}
                />
            )}
            <span className="flex gap-1">
                <Button {...(id === undefined ? {} : { id })} onClick={() => choose(true)}>
                    {file === '' ? 'Choose a picture…' : 'Another picture…'}
                </Button>
                {file !== '' && (
                    <Button variant="quiet" onClick={() => onChange(null)}>
                        Remove
                    </Button>
                )}
            </span>
            {file !== '' && (
                <input
                    aria-label={`${field.title}: alternative text`}
                    placeholder="What the picture shows, for those who do not see it"
                    value={textOfValue(picture.alt)}
                    onChange={event => set({ alt: event.target.value })}
                    className={inputClasses}
                />
            )}
            {choosing && (
                <FileDialog
                    title={field.title}
                    pictures
                    onClose={() => choose(false)}
                    onFile={picked => {
                        set({ file: picked.id })
                        choose(false)
                    }}
                />
            )}
        </div>
    )
}
