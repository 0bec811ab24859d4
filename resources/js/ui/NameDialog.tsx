import { useState } from 'react'
import type { ApiProblem } from '../api/client'
import { Button } from './Button'
import { Field } from './Field'
import { Modal } from './Modal'
import { DialogActions } from './DialogActions'

type Props = {
    title: string
    description?: string
    hint?: string
    name?: string
    act: string
    onClose: () => void
    onName: (name: string, failed: (problem: ApiProblem) => void) => void
}

/** Asks for the name of something, and says why one is not taken. */
export function NameDialog({ title, description, hint, name: given = '', act, onClose, onName }: Props) {
    const [name, setName] = useState(given)
    const [bad, setBad] = useState<string>()
    return (
        <Modal open onClose={onClose} title={title} {...(description === undefined ? {} : { description })} width={400}>
            <form
                onSubmit={event => {
                    event.preventDefault()
                    onName(name.trim(), problem => setBad(problem.message))
                }}
            >
                <Field
                    stacked
                    autoFocus
                    label="Name"
                    value={name}
                    error={bad}
                    hint={hint}
                    onChange={event => {
                        setName(event.target.value)
                        setBad(undefined)
                    }}
                />
                <DialogActions className="mt-4">
                    <Button onClick={onClose}>Cancel</Button>
                    <Button type="submit" variant="main" disabled={name.trim() === '' || name.trim() === given}>
                        {act}
                    </Button>
                </DialogActions>
            </form>
        </Modal>
    )
}
