import { useLayoutEffect, useRef, useState, type ReactNode } from 'react'
import { ulid } from '../../api/ulid'
import { useChanges } from '../../app/changes'
import { useSite } from '../../app/site'
import { Button } from '../../ui/Button'
import { Modal } from '../../ui/Modal'
import { useKept } from '../../ui/useKept'
import { blank, changeOf, type Draft, isFull } from './draft'
import { RedirectForm } from './RedirectForm'
import { Share } from './Share'
import { Alert } from '../../ui/Alert'
import { DialogActions } from '../../ui/DialogActions'

/** Kept below the fields for what is said of them while they are typed, px: the buttons stay where they are. */
const ROOM = 72

/** Makes a redirect. */
export function NewRedirect({
    source,
    onClose,
    onMade,
}: {
    source: string
    onClose: () => void
    onMade: (id: string) => void
}) {
    const { propose } = useChanges()
    const site = useSite()
    const [kept, keep] = useKept<Draft | null>(`heronstem redirect ${site.key} ${source}`, null)
    const [fresh] = useState<Draft>(() => blank(ulid(), source))
    const draft = kept ?? fresh
    const [problem, setProblem] = useState('')
    const [isMaking, setMaking] = useState(false)
    const make = () => {
        let isRefused = false
        setMaking(true)
        void propose({
            title: `Making the redirect of ${draft.source}`,
            act: 'Make the redirect',
            batch: { changes: [changeOf('make-redirect', draft)] },
            now: true,
            failed: failed => {
                isRefused = true
                setProblem(failed.message)
                setMaking(false)
            },
            done: () => {
                keep(null)
                onMade(draft.id)
            },
        }).then(() => isRefused || onClose())
    }
    return (
        <Modal open onClose={onClose} title="New redirect" help="poster" width={560}>
            <form
                className="grid gap-3"
                onSubmit={event => {
                    event.preventDefault()
                    make()
                }}
            >
                <WithRoom of={`${draft.scope} ${draft.answer}`}>
                    <RedirectForm draft={draft} kind="make-redirect" writes isTyped={!isMaking} onDraft={keep} />
                </WithRoom>
                {draft.scope === 'one' && draft.source.startsWith('/') && draft.source.length > 1 && (
                    <Share address={draft.source} />
                )}
                {problem !== '' && <Alert>{problem}</Alert>}
                <DialogActions>
                    <Button
                        onClick={() => {
                            keep(null)
                            onClose()
                        }}
                    >
                        Cancel
                    </Button>
                    <Button type="submit" variant="main" disabled={!isFull(draft) || isMaking}>
                        Make the redirect
                    </Button>
                </DialogActions>
            </form>
        </Modal>
    )
}

/** As high as what is in it, with room to spare; measured anew when `of` is another. */
function WithRoom({ of, children }: { of: string; children: ReactNode }) {
    const box = useRef<HTMLDivElement>(null)
    useLayoutEffect(() => {
        const { current } = box
        if (current === null) return
        current.style.minHeight = ''
        current.style.minHeight = `${current.offsetHeight + ROOM}px`
    }, [of])
    return <div ref={box}>{children}</div>
}
