import { Button } from '../../ui/Button'
import { DialogActions } from '../../ui/DialogActions'
import { Modal } from '../../ui/Modal'
import type { Overtaken } from './gridEdits'

type Props = {
    overtaken: Overtaken[]
    onTheirs: (cells: Overtaken[]) => void
    onMine: () => void
    onClose: () => void
}

/** Cells that somebody else saved since they were typed here: both are shown, and neither is lost unseen. */
export function GridConflicts({ overtaken, onTheirs, onMine, onClose }: Props) {
    return (
        <Modal
            open
            alert
            onClose={onClose}
            title="Somebody saved some of these cells meanwhile"
            description="Theirs stand on the site. Yours are still only here."
            width={640}
        >
            <ul className="max-h-[320px] overflow-y-auto">
                {overtaken.map(each => (
                    <li key={`${each.row.id} ${each.column}`} className="grid gap-0.5 border-t border-line py-2">
                        <b className="font-semibold">
                            {each.row.name}, {each.column === 'searchTitle' ? 'search title' : 'search description'}
                        </b>
                        <span>
                            <span className="text-ink-3">Yours: </span>
                            {each.mine === '' ? 'empty' : each.mine}
                        </span>
                        <span>
                            <span className="text-ink-3">Theirs: </span>
                            {each.theirs === '' ? 'empty' : each.theirs}
                        </span>
                    </li>
                ))}
            </ul>
            <DialogActions className="mt-3">
                <Button onClick={onClose}>Back to the grid</Button>
                <Button onClick={() => onTheirs(overtaken)}>Keep theirs</Button>
                <Button variant="main" onClick={onMine}>
                    Save mine over them
                </Button>
            </DialogActions>
        </Modal>
    )
}
