import { useState } from 'react'
import type { Change } from '../../app/batches'
import { useChanges } from '../../app/changes'
import { PageList } from '../../app/PickPage'
import { whomOf } from '../../app/pageActs'
import { useAddressAnswer } from '../../app/useAddressAnswer'
import { readable } from '../../ui/Address'
import { Button } from '../../ui/Button'
import { count } from '../../ui/count'
import { Modal } from '../../ui/Modal'
import { placeAt, type Spot } from './place'
import { DialogActions } from '../../ui/DialogActions'
import { Choice } from '../../ui/Choice'

type Moved = { id: string; name: string }

/** Moves pages by choosing where, for those who would rather not drag. */
export function MoveTo({ pages, onClose, onDone }: { pages: Moved[]; onClose: () => void; onDone?: () => void }) {
    return (
        <Modal open={pages.length > 0} onClose={onClose} title={`Move ${what(pages)}`} width={520}>
            {pages.length > 0 && (
                <Chooser pages={pages} onClose={onClose} {...(onDone === undefined ? {} : { onDone })} />
            )}
        </Modal>
    )
}

const what = (pages: Moved[]) => (pages.length === 1 ? (pages[0]?.name ?? '') : count(pages.length, 'page'))
const spots: [Spot, string][] = [
    ['inside', 'Inside'],
    ['before', 'Before'],
    ['after', 'After'],
]

function Chooser({ pages, onClose, onDone }: { pages: Moved[]; onClose: () => void; onDone?: () => void }) {
    const { propose } = useChanges()
    const [chosen, choose] = useState<Moved | null>(null)
    const [spot, setSpot] = useState<Spot>('inside')
    const place = chosen === null ? null : chosen.id === 'top' ? { last: null } : placeAt(chosen, spot)
    const single = pages.length === 1 ? (pages[0]?.id ?? '') : null
    const answer = useAddressAnswer(place === null || single === null ? null : { kind: 'move', page: single, place })
    const move = () => {
        if (place === null || chosen === null) return
        const change: Change = { kind: 'move', ...whomOf(pages), place }
        onClose()
        void propose({
            title: `Moving ${what(pages)} ${chosen.id === 'top' ? 'to the top' : `${spot} ${chosen.name}`}`,
            act: 'Move',
            batch: { changes: [change] },
            done: onDone,
        })
    }
    return (
        <div className="grid gap-3">
            <PageList
                top
                chosen={chosen?.id ?? null}
                onPick={choose}
                {...(single === null ? {} : { without: single })}
            />
            <fieldset className="flex gap-4" disabled={chosen === null || chosen.id === 'top'}>
                <legend className="sr-only">Where exactly</legend>
                {spots.map(([value, word]) => (
                    <Choice
                        key={value}
                        type="radio"
                        name="spot"
                        checked={spot === value}
                        onChange={() => setSpot(value)}
                    >
                        {word}
                    </Choice>
                ))}
            </fieldset>
            <p role="status" className="min-h-5 text-ink-2">
                {chosen === null
                    ? 'Choose a page.'
                    : answer === undefined
                      ? ''
                      : (answer.error ?? (
                            <>
                                It will be at{' '}
                                <span className="font-mono text-[13px]">{readable(answer.address ?? '')}</span>
                                {answer.conflict === null ? '' : ', which is taken: you decide next'}
                            </>
                        ))}
            </p>
            <DialogActions>
                <Button onClick={onClose}>Cancel</Button>
                <Button variant="main" disabled={chosen === null || (answer?.error ?? null) !== null} onClick={move}>
                    Move
                </Button>
            </DialogActions>
        </div>
    )
}
