import { useState } from 'react'
import { ApiProblem } from '../../api/client'
import { useSite } from '../../app/site'
import { Alert } from '../../ui/Alert'
import { Button, buttonClasses } from '../../ui/Button'
import { DialogActions } from '../../ui/DialogActions'
import { FieldFrame, inputClasses } from '../../ui/Field'
import { Modal } from '../../ui/Modal'
import { NameDialog } from '../../ui/NameDialog'
import type { ListActs, MatchListItem } from './useMatchLists'

type Props = { list: MatchListItem; acts: ListActs; onGone: () => void }

/** What is done to a list as a whole. */
export function ListMenu({ list, acts, onGone }: Props) {
    const site = useSite()
    const [open, setOpen] = useState<'words' | 'name' | 'remove' | null>(null)
    const close = () => setOpen(null)
    return (
        <>
            <Button onClick={() => setOpen('words')}>Words of the old site…</Button>
            <a
                className={buttonClasses()}
                href={`/api/v1/sites/${site.key}/match-lists/${list.id}/file`}
                download={`${list.name}.csv`}
            >
                Save as CSV
            </a>
            <Button onClick={() => setOpen('name')}>Rename…</Button>
            <Button variant="quiet" className="text-berry!" onClick={() => setOpen('remove')}>
                Remove…
            </Button>
            {open === 'words' && <OldWords list={list} acts={acts} onClose={close} />}
            {open === 'name' && (
                <NameDialog
                    title="Rename the list"
                    name={list.name}
                    act="Rename"
                    onClose={close}
                    onName={(name, failed) =>
                        acts.say.mutate(
                            { name },
                            { onSuccess: close, onError: error => error instanceof ApiProblem && failed(error) },
                        )
                    }
                />
            )}
            {open === 'remove' && (
                <Modal
                    open
                    alert
                    onClose={close}
                    title={`Remove “${list.name}”?`}
                    description="The list and what was chosen in it are gone for good. Redirects that were made of it stay."
                >
                    {acts.remove.error !== null && <Alert className="mb-3">{acts.remove.error.message}</Alert>}
                    <DialogActions>
                        <Button onClick={close}>Cancel</Button>
                        <Button variant="breaks" onClick={() => acts.remove.mutate(undefined, { onSuccess: onGone })}>
                            Remove the list
                        </Button>
                    </DialogActions>
                </Modal>
            )}
        </>
    )
}

/** Short forms and words of another language, and what they stand for. */
function OldWords({ list, acts, onClose }: { list: MatchListItem; acts: ListActs; onClose: () => void }) {
    const [text, setText] = useState(list.glossary)
    const { error } = acts.say
    const reason = error instanceof ApiProblem ? (error.reasonFor('glossary')?.reason ?? error.message) : undefined
    return (
        <Modal
            open
            onClose={onClose}
            title="Words of the old site"
            description="Short forms, and words of another language, that the old site has: what does each stand for here? Rows that you choose teach such words as well."
        >
            <FieldFrame stacked label="One a line" error={reason} hint="Several words are set apart by commas.">
                {({ id, describedBy }) => (
                    <textarea
                        id={id}
                        aria-describedby={describedBy}
                        rows={9}
                        value={text}
                        onChange={event => setText(event.target.value)}
                        placeholder={'tt = timetable\nhavn = harbour, port'}
                        className={`${inputClasses} font-mono text-[13px]`}
                    />
                )}
            </FieldFrame>
            <DialogActions className="mt-3">
                <Button onClick={onClose}>Cancel</Button>
                <Button
                    variant="main"
                    disabled={text === list.glossary || acts.say.isPending}
                    onClick={() =>
                        acts.say.mutate(
                            { glossary: text },
                            {
                                onSuccess: () => {
                                    onClose()
                                    acts.match.mutate()
                                },
                            },
                        )
                    }
                >
                    Save and match again
                </Button>
            </DialogActions>
        </Modal>
    )
}
