import { useState } from 'react'
import { useChanges } from '../../app/changes'
import { TagChooser } from '../../app/TagChooser'
import { Button } from '../../ui/Button'
import { count } from '../../ui/count'
import { DialogActions } from '../../ui/DialogActions'
import { Modal } from '../../ui/Modal'
import { Muted } from '../../ui/Muted'

type Props = { pages: string[]; onClose: () => void; onDone: () => void }

/** Gives tags to all marked pages at once, and takes others from them. */
export function TagMarked({ pages, onClose, onDone }: Props) {
    const { propose } = useChanges()
    const [add, setAdd] = useState<string[]>([])
    const [remove, setRemove] = useState<string[]>([])
    const [refused, setRefused] = useState<string | null>(null)
    const tag = () =>
        void propose({
            title: `Tagging ${count(pages.length, 'page')}`,
            act: 'Save tags',
            batch: { changes: [{ kind: 'tag', pages, add, remove }] },
            done: onDone,
            failed: problem => setRefused(problem.message),
        })
    const only = (list: string[], tag: string) => list.filter(each => each !== tag)
    return (
        <Modal open onClose={onClose} title={`Tags of ${count(pages.length, 'page')}`} width={460}>
            <div className="grid gap-4">
                <section aria-label="Tags to add">
                    <h3 className="mb-1.5 font-semibold">Add to all of them</h3>
                    <TagChooser
                        label="Tags to add"
                        tags={add}
                        onAdd={each => setAdd([...only(add, each), each])}
                        onRemove={each => setAdd(only(add, each))}
                    />
                </section>
                <section aria-label="Tags to remove">
                    <h3 className="mb-1.5 font-semibold">Remove where they have it</h3>
                    <TagChooser
                        label="Tags to remove"
                        tags={remove}
                        error={refused}
                        onAdd={each => setRemove([...only(remove, each), each])}
                        onRemove={each => setRemove(only(remove, each))}
                    />
                </section>
                <Muted small>Other tags of these pages stay.</Muted>
                <DialogActions>
                    <Button onClick={onClose}>Cancel</Button>
                    <Button variant="main" disabled={add.length + remove.length === 0} onClick={tag}>
                        Save tags
                    </Button>
                </DialogActions>
            </div>
        </Modal>
    )
}
