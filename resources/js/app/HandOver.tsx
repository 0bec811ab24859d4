import { notify } from './notify'
import { Button } from '../ui/Button'
import { DialogActions } from '../ui/DialogActions'
import { Modal } from '../ui/Modal'
import { inputClasses } from '../ui/Field'

/** The link of an invitation, where this installation sends no mail. */
export function HandOver({ name, link, onClose }: { name: string; link: string; onClose: () => void }) {
    return (
        <Modal
            open
            onClose={onClose}
            alert
            title={`Give this link to ${name}`}
            description="This installation sends no mail. Whoever has the link sets the password of the account: give it to nobody else. It works for seven days and is shown only here."
        >
            <input
                readOnly
                aria-label="Link of the invitation"
                value={link}
                className={`${inputClasses} font-mono text-[13px]`}
                onFocus={event => event.target.select()}
            />
            <DialogActions className="mt-4">
                <Button onClick={onClose}>Done</Button>
                <Button
                    variant="main"
                    onClick={() =>
                        void navigator.clipboard
                            .writeText(link)
                            .then(() => notify.success('Copied.'))
                            .catch(() =>
                                notify.error('This browser does not allow copying here. Select it and copy it.'),
                            )
                    }
                >
                    Copy link
                </Button>
            </DialogActions>
        </Modal>
    )
}
