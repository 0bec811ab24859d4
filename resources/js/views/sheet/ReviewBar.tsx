import { useState } from 'react'
import type { Schemas } from '../../api/client'
import { useChanges } from '../../app/changes'
import { mayOn } from '../../app/site'
import { Button } from '../../ui/Button'
import { inputClasses } from '../../ui/Field'

type Sheet = Schemas['PageSheet']

const actOn = (sheet: Sheet) => (sheet.state === 'review' ? 'Return to its writer' : 'Send for review')

/** Begins to send a page for review, or to return it, in the row of the acts; what is to be said with it is asked below. */
export function ReviewAct({ sheet, onBegin }: { sheet: Sheet; onBegin: () => void }) {
    const may =
        sheet.state === 'review'
            ? mayOn(sheet, 'publish')
            : mayOn(sheet, 'write') && (sheet.state === 'draft' || sheet.state === 'offline')
    if (!may) return null
    return (
        <Button variant="quiet" onClick={onBegin}>
            {actOn(sheet)}…
        </Button>
    )
}

/** A page in review, with what is asked; or one returned, with what was said; and what is to be said now. */
export function ReviewBar({ sheet, begun, onEnd }: { sheet: Sheet; begun: boolean; onEnd: () => void }) {
    const { propose } = useChanges()
    const [note, setNote] = useState('')
    const inReview = sheet.state === 'review'
    const tells = inReview || sheet.reviewNote !== ''
    if (!tells && !begun) return null
    const act = actOn(sheet)
    const end = () => {
        setNote('')
        onEnd()
    }
    const told = { page: sheet.id, note }
    const go = () =>
        void propose({
            title: inReview ? `Returning ${sheet.name}` : `Sending ${sheet.name} for review`,
            act,
            batch: {
                changes: [inReview ? { kind: 'return-to-writer', ...told } : { kind: 'send-for-review', ...told }],
            },
            done: end,
        })
    return (
        <div
            className={`mt-2.5 grid gap-2 rounded-md ${inReview ? 'bg-heron-soft px-3 py-2' : tells ? 'bg-amber-soft px-3 py-2' : ''}`}
        >
            {tells && (
                <p>
                    {inReview ? 'In review. Read it, then put it live or return it.' : 'Returned from review.'}
                    {sheet.reviewNote !== '' && <span className="block">“{sheet.reviewNote}”</span>}
                </p>
            )}
            {begun && (
                <form
                    className="grid gap-2"
                    onSubmit={event => {
                        event.preventDefault()
                        go()
                    }}
                >
                    <textarea
                        autoFocus
                        rows={2}
                        aria-label={inReview ? 'What is missing' : 'What to look at'}
                        placeholder={inReview ? 'What is missing?' : 'What should be looked at?'}
                        maxLength={2000}
                        value={note}
                        onChange={event => setNote(event.target.value)}
                        className={inputClasses}
                    />
                    <div className="flex gap-2">
                        <Button type="submit" variant="main">
                            {act}
                        </Button>
                        <Button onClick={end}>Cancel</Button>
                    </div>
                </form>
            )}
        </div>
    )
}
