import { useState } from 'react'
import type { Schemas } from '../../api/client'
import { heldBy } from '../../app/conflicts'
import { useChanges } from '../../app/changes'
import { useAddressAnswer } from '../../app/useAddressAnswer'
import { Button } from '../../ui/Button'
import { count } from '../../ui/count'
import { Field } from '../../ui/Field'
import { Modal } from '../../ui/Modal'
import { DialogActions } from '../../ui/DialogActions'

/** Sets a whole address by hand. */
export function PinDialog({ sheet, onClose }: { sheet: Schemas['PageSheet']; onClose: () => void }) {
    const { propose } = useChanges()
    const [address, setAddress] = useState(sheet.address)
    const change = { kind: 'pin' as const, page: sheet.id, address }
    const answer = useAddressAnswer(address === sheet.address ? null : change)
    const bad = answer?.error ?? (answer?.conflict == null ? undefined : heldBy(answer.conflict))
    const pin = () => {
        onClose()
        void propose({ title: `Pinning ${sheet.name} to ${address}`, act: 'Pin', batch: { changes: [change] } })
    }
    return (
        <Modal
            open
            onClose={onClose}
            title={`Pin the address of ${sheet.name}`}
            description="A pinned address follows neither the name nor the parent. Pages inside follow it."
        >
            <form
                className="grid gap-4"
                onSubmit={event => {
                    event.preventDefault()
                    pin()
                }}
            >
                <Field
                    label="Address"
                    mono
                    autoFocus
                    value={address}
                    onChange={event => setAddress(event.target.value)}
                    error={bad}
                    hint={
                        sheet.branch > 0 ? `${count(sheet.branch, 'page')} inside move along.` : 'Begins with a slash.'
                    }
                />
                <DialogActions>
                    <Button onClick={onClose}>Cancel</Button>
                    <Button
                        type="submit"
                        variant="main"
                        disabled={address.trim() === '' || (answer?.error ?? null) !== null}
                    >
                        Pin
                    </Button>
                </DialogActions>
            </form>
        </Modal>
    )
}
