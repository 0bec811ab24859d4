import { useState } from 'react'
import { Field, FieldFrame } from '../../ui/Field'
import { Select } from '../../ui/Select'
import type { ButtonAttrs } from './blocks'
import { DialogForm } from './DialogForm'
import { LinkChooser } from './LinkChooser'

const looks = [
    ['strong', 'strong: the one thing to do here'],
    ['quiet', 'quiet: beside another'],
] as const

type Props = { button: ButtonAttrs; isNew: boolean; onClose: () => void; onTake: (button: ButtonAttrs) => void }

/** A button: what it says, how it looks, where it leads. */
export function ButtonDialog({ button: given, isNew, onClose, onTake }: Props) {
    const [button, setButton] = useState(given)
    const [missing, setMissing] = useState(false)
    const set = (change: Partial<ButtonAttrs>) => setButton(before => ({ ...before, ...change }))
    const submit = () => {
        setMissing(true)
        if (button.text.trim() !== '' && button.link !== null) onTake({ ...button, text: button.text.trim() })
    }
    return (
        <DialogForm title="Button" act={isNew ? 'Insert button' : 'Use button'} onClose={onClose} onSubmit={submit}>
            <Field
                stacked
                autoFocus
                label="What it says"
                value={button.text}
                maxLength={100}
                onChange={event => set({ text: event.target.value })}
                error={missing && button.text.trim() === '' ? 'Say what happens: “Book a crossing”.' : undefined}
            />
            <FieldFrame stacked label="Look">
                {({ id }) => <Select id={id} value={button.look} choices={looks} onChoose={look => set({ look })} />}
            </FieldFrame>
            <LinkChooser link={button.link} missing={missing} onLink={link => set({ link })} />
        </DialogForm>
    )
}
