import { useState, type FormEvent } from 'react'
import { Button } from '../../../ui/Button'
import { Choice } from '../../../ui/Choice'
import { Field, FieldFrame } from '../../../ui/Field'
import { Modal } from '../../../ui/Modal'
import type { Picture } from './picture'
import { DialogActions } from '../../../ui/DialogActions'
import { Select } from '../../../ui/Select'

const aligns = [
    ['left', 'left'],
    ['centre', 'centre'],
    ['right', 'right'],
] as const

const widths = [
    [25, '25 %'],
    [50, '50 %'],
    [75, '75 %'],
    [100, '100 %'],
] as const

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
                <Choice checked={picture.decorative} onChange={event => set({ decorative: event.target.checked })}>
                    Decorative: it says nothing that the text does not
                </Choice>
                <Field
                    stacked
                    label="Caption"
                    value={picture.caption}
                    onChange={event => set({ caption: event.target.value })}
                />
                <div className="grid grid-cols-2 gap-3">
                    <FieldFrame stacked label="Alignment">
                        {({ id }) => (
                            <Select id={id} value={picture.align} choices={aligns} onChoose={align => set({ align })} />
                        )}
                    </FieldFrame>
                    <FieldFrame stacked label="Width">
                        {({ id }) => (
                            <Select id={id} value={picture.width} choices={widths} onChoose={width => set({ width })} />
                        )}
                    </FieldFrame>
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
