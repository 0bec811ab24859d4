import { useState } from 'react'
import { Field } from '../../ui/Field'
import { FileChooser } from '../FileChooser'
import type { FileAttrs } from './blocks'
import { DialogForm } from './DialogForm'

type Props = { file: FileAttrs; isNew: boolean; onClose: () => void; onTake: (file: FileAttrs) => void }

/** A file to download, and what it is called on the page. */
export function FileBlockDialog({ file: given, isNew, onClose, onTake }: Props) {
    const [chosen, setChosen] = useState(given.file === '' ? null : { id: given.file, name: 'The file' })
    const [name, setName] = useState(given.name)
    return (
        <DialogForm
            title="File"
            act={isNew ? 'Insert file' : 'Use file'}
            disabled={chosen === null}
            onClose={onClose}
            onSubmit={() => chosen !== null && onTake({ file: chosen.id, name: name.trim() })}
        >
            <FileChooser chosen={chosen} onFile={setChosen} />
            <Field
                stacked
                label="Label on the page"
                value={name}
                maxLength={200}
                hint="Left empty, the name of the file stands there. Its kind and size follow by themselves."
                onChange={event => setName(event.target.value)}
            />
        </DialogForm>
    )
}
