import type { FormEvent, ReactNode } from 'react'
import { Button } from '../../ui/Button'
import { DialogActions } from '../../ui/DialogActions'
import { Modal } from '../../ui/Modal'

type Props = {
    title: string
    /** What the main button says. */
    act: string
    width?: number
    disabled?: boolean
    onClose: () => void
    onSubmit: () => void
    children: ReactNode
}

/** A dialog with a form in it: Enter takes it, Esc cancels. */
export function DialogForm({ title, act, width, disabled = false, onClose, onSubmit, children }: Props) {
    const submit = (event: FormEvent) => {
        event.preventDefault()
        // The dialog stands in the editor's tree of components, which may be within a form itself.
        event.stopPropagation()
        onSubmit()
    }
    return (
        <Modal open onClose={onClose} alert title={title} {...(width === undefined ? {} : { width })}>
            <form onSubmit={submit} className="grid gap-3">
                {children}
                <DialogActions>
                    <Button onClick={onClose}>Cancel</Button>
                    <Button type="submit" variant="main" disabled={disabled}>
                        {act}
                    </Button>
                </DialogActions>
            </form>
        </Modal>
    )
}
