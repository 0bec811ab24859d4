import { useState } from 'react'
import type { Schemas } from '../../api/client'
import { differing } from '../../app/differing'
import { useChanges } from '../../app/changes'
import { FieldsForm } from '../../app/fields/FieldsForm'
import { refusalsOf, type Refusals, type Values } from '../../app/fields/values'
import { Button } from '../../ui/Button'
import { DialogActions } from '../../ui/DialogActions'
import { Modal } from '../../ui/Modal'
import { Muted } from '../../ui/Muted'

/** What stands in fields of a layout on every page of the site that says nothing there. */
export function DefaultsDialog({ layout, onClose }: { layout: Schemas['Layout']; onClose: () => void }) {
    const { propose } = useChanges()
    const [typed, type] = useState<Values>({})
    const [refused, setRefused] = useState<Refusals>({})
    const standing = layout.defaults as Values
    const changed = differing(typed, standing)
    const save = () =>
        void propose({
            title: `Defaults of ${layout.name}`,
            act: 'Save defaults',
            batch: {
                changes: [
                    {
                        kind: 'set-field-defaults',
                        layout: layout.key,
                        fields: Object.fromEntries(Object.entries(changed).map(([key, value]) => [key, value ?? null])),
                    },
                ],
            },
            now: true,
            done: onClose,
            failed: problem => setRefused(refusalsOf(problem.problem.errors)),
        })
    return (
        <Modal open onClose={onClose} title={`Defaults of ${layout.name}`} width={560}>
            <form
                className="grid gap-4"
                onSubmit={event => {
                    event.preventDefault()
                    save()
                }}
            >
                <Muted>Visitors read this on every page with the layout that says nothing in a field itself.</Muted>
                <FieldsForm
                    fields={layout.fields}
                    values={{ ...standing, ...typed }}
                    refused={refused}
                    onChange={(key, value) => type({ ...typed, [key]: value })}
                />
                <DialogActions>
                    <Button onClick={onClose}>Cancel</Button>
                    <Button type="submit" variant="main" disabled={Object.keys(changed).length === 0}>
                        Save defaults
                    </Button>
                </DialogActions>
            </form>
        </Modal>
    )
}
