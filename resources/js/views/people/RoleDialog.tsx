import { useState } from 'react'
import type { ApiProblem } from '../../api/client'
import { ulid } from '../../api/ulid'
import { useChanges, type Change } from '../../app/changes'
import { Button } from '../../ui/Button'
import { DialogActions } from '../../ui/DialogActions'
import { Field } from '../../ui/Field'
import { Modal } from '../../ui/Modal'

export type RoleWanted = { kind: 'make' } | { kind: 'copy' | 'rename'; key: string; name: string }

const titles = { make: 'Make a role', copy: 'Copy a role', rename: 'Rename a role' }
const acts = { make: 'Make role', copy: 'Make copy', rename: 'Rename' }

/** The name of a role that is made, copied or renamed. */
export function RoleDialog({ wanted, onClose }: { wanted: RoleWanted; onClose: () => void }) {
    const { propose } = useChanges()
    const [name, setName] = useState(wanted.kind === 'rename' ? wanted.name : '')
    const [problem, setProblem] = useState<string | undefined>()
    const change = (): Change =>
        wanted.kind === 'rename'
            ? { kind: 'rename-role', role: wanted.key, name }
            : { kind: 'make-role', role: ulid(), name, ...(wanted.kind === 'copy' ? { like: wanted.key } : {}) }
    const go = () => {
        setProblem(undefined)
        void propose({
            title: `${titles[wanted.kind]}: ${name}`,
            act: acts[wanted.kind],
            now: true,
            batch: { changes: [change()] },
            done: onClose,
            failed: (failed: ApiProblem) =>
                setProblem(failed.problem.errors?.[0]?.reason ?? failed.problem.detail ?? failed.message),
        })
    }
    return (
        <Modal
            open
            onClose={onClose}
            title={wanted.kind === 'copy' ? `Copy the role ${wanted.name}` : titles[wanted.kind]}
        >
            <form
                className="grid gap-4"
                onSubmit={event => {
                    event.preventDefault()
                    go()
                }}
            >
                <Field
                    stacked
                    autoFocus
                    label="Name of the role"
                    value={name}
                    maxLength={60}
                    error={problem}
                    hint={wanted.kind === 'copy' ? 'It begins with the same rights.' : undefined}
                    onChange={event => setName(event.target.value)}
                />
                <DialogActions>
                    <Button onClick={onClose}>Cancel</Button>
                    <Button variant="main" type="submit" disabled={name.trim() === ''}>
                        {acts[wanted.kind]}
                    </Button>
                </DialogActions>
            </form>
        </Modal>
    )
}
