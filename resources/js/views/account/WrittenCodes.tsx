import { Button } from '../../ui/Button'
import { DialogActions } from '../../ui/DialogActions'
import { download } from '../../ui/download'
import { Modal } from '../../ui/Modal'

/** Codes for the day the device is lost: shown this one time. */
export function WrittenCodes({ codes, onClose }: { codes: string[]; onClose: () => void }) {
    return (
        <Modal
            open
            alert
            onClose={onClose}
            title="Your backup codes"
            description="Each works once in place of your device, should you lose it. They are shown only now; earlier codes no longer work."
        >
            <ul className="grid grid-cols-2 gap-x-6 gap-y-1 rounded bg-sunk px-4 py-3 font-mono text-[14px]">
                {codes.map(code => (
                    <li key={code}>{code}</li>
                ))}
            </ul>
            <DialogActions className="mt-4">
                <Button
                    onClick={() =>
                        download(new Blob([codes.join('\n') + '\n'], { type: 'text/plain' }), 'heronstem-codes.txt')
                    }
                >
                    Save as a file
                </Button>
                <Button variant="main" onClick={onClose}>
                    I have them
                </Button>
            </DialogActions>
        </Modal>
    )
}
