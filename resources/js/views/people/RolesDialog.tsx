import { useState } from 'react'
import type { Schemas } from '../../api/client'
import { useChanges } from '../../app/changes'
import { Button } from '../../ui/Button'
import { DialogActions } from '../../ui/DialogActions'
import { Modal } from '../../ui/Modal'
import { RoleChoices } from './RoleChoices'

/** The roles of one person: what follows for their rights is shown before it is done. */
export function RolesDialog({ person, onClose }: { person: Schemas['Person']; onClose: () => void }) {
    const { propose } = useChanges()
    const had = person.roles.map(({ key }) => key)
    const [chosen, choose] = useState(had)
    // The ripple is shown below the view: the dialog must not stand before it.
    const set = (keys: string[], title: string, act: string) => {
        onClose()
        void propose({ title, act, batch: { changes: [{ kind: 'set-roles', person: person.id, roles: keys }] } })
    }
    const isSame = chosen.length === had.length && chosen.every(key => had.includes(key))
    return (
        <Modal open onClose={onClose} title={`Roles of ${person.name}`}>
            <div className="grid gap-1.5">
                <RoleChoices chosen={chosen} onChoose={choose} />
            </div>
            <DialogActions className="mt-4">
                <Button
                    variant="breaks"
                    className="mr-auto"
                    onClick={() => set([], `Removing ${person.name} from the site`, 'Remove from the site')}
                >
                    Remove from the site…
                </Button>
                <Button onClick={onClose}>Cancel</Button>
                <Button
                    variant="main"
                    disabled={chosen.length === 0 || isSame}
                    onClick={() => set(chosen, `Setting the roles of ${person.name}`, 'Set roles')}
                >
                    Set roles
                </Button>
            </DialogActions>
        </Modal>
    )
}
