import { useState, type FormEvent } from 'react'
import { Button } from '../../../ui/Button'
import { Field, FieldFrame, inputClasses } from '../../../ui/Field'
import { Modal } from '../../../ui/Modal'
import type { Picture } from './picture'
import { DialogActions } from '../../../ui/DialogActions'

type Props = { picture: Picture; onClose: () => void; onTake: (picture: Picture) => void }

/** A picture's alternative text, which it needs unless it is only decoration, its caption and place. */
export function PictureDialog({ picture: given, onClose, onTake }: Props) {
    const [picture, setPicture] = useState(given)
    const [missing, setMissing] = useState(false)
    const set = (change: Partial<Picture>) => {
        setPicture(before => ({ ...before, ...change }))
        setMissing(false)
    }
    const submit = (event: FormEvent) => {
        event.preventDefault()
        event.stopPropagation()
        if (picture.alt.trim() === '' && !picture.decorative) setMissing(true)
        else onTake({ ...picture, alt: picture.decorative ? '' : picture.alt.trim() })
    }
    return (
        <Modal open onClose={onClose} alert title="Picture">
            <form onSubmit={submit} className="grid gap-3">
                <img
                    src={`/_files/${picture.file}/picture`}
                    alt=""
                    className="max-h-[180px] justify-self-start rounded"
                />
                <Field
                    stacked
                    label="Alternative text"
                    value={picture.alt}
                    disabled={picture.decorative}
                    onChange={event => set({ alt: event.target.value })}
                    autoFocus
                    error={
                        missing
                            ? 'Say what the picture shows, for people who do not see it, or mark it as decorative.'
                            : undefined
                    }
                    hint="What the picture shows, in a sentence."
                />
                <label className="flex items-center gap-2">
                    <input
                        type="checkbox"
                        checked={picture.decorative}
                        onChange={event => set({ decorative: event.target.checked })}
                        className="accent-heron"
                    />
                    Decorative: it says nothing that the text does not
                </label>
                <Field
                    stacked
                    label="Caption"
                    value={picture.caption}
                    onChange={event => set({ caption: event.target.value })}
                />
                <div className="grid grid-cols-2 gap-3">
                    <Choice
                        label="Alignment"
                        value={picture.align}
                        options={['left', 'centre', 'right']}
                        onChange={align => set({ align: align as Picture['align'] })}
                    />
                    <Choice
                        label="Width"
                        value={String(picture.width)}
                        options={['25', '50', '75', '100']}
                        unit=" %"
                        onChange={width => set({ width: Number(width) as Picture['width'] })}
                    />
                </div>
                <DialogActions>
                    <Button onClick={onClose}>Let it be</Button>
                    <Button type="submit" variant="main">
                        Use picture
                    </Button>
                </DialogActions>
            </form>
        </Modal>
    )
}

function Choice({
    label,
    value,
    options,
    unit = '',
    onChange,
}: {
    label: string
    value: string
    options: string[]
    unit?: string
    onChange: (value: string) => void
}) {
    return (
        <FieldFrame stacked label={label}>
            {({ id }) => (
                <select id={id} value={value} onChange={event => onChange(event.target.value)} className={inputClasses}>
                    {options.map(option => (
                        <option key={option} value={option}>
                            {option}
                            {unit}
                        </option>
                    ))}
                </select>
            )}
        </FieldFrame>
    )
}
