import { useState } from 'react'
import type { Schemas } from '../../api/client'
import { useChanges } from '../../app/changes'
import { mayOn } from '../../app/site'
import { Button } from '../../ui/Button'
import { inputClasses } from '../../ui/Field'

/** A page in review, with what is asked; or one returned, with what was said. Sending it and returning it take a line each. */
export function ReviewBar({ sheet }: { sheet: Schemas['PageSheet'] }) {
    const [manages, writes] = [mayOn(sheet, 'publish'), mayOn(sheet, 'write')]
    const { propose } = useChanges()
    const [note, setNote] = useState<string | null>(null)
    const inReview = sheet.state === 'review'
    const canSend = writes && (sheet.state === 'draft' || sheet.state === 'offline')
    if (!inReview && sheet.reviewNote === '' && !canSend) return null
    const act = inReview ? 'Return to its writer' : 'Send for review'
    const told = { page: sheet.id, note: note ?? '' }
    const go = () =>
        void propose({
            title: inReview ? `Returning ${sheet.name}` : `Sending ${sheet.name} for review`,
            act,
            batch: {
                changes: [inReview ? { kind: 'return-to-writer', ...told } : { kind: 'send-for-review', ...told }],
            },
            done: () => setNote(null),
        })
    return (
        <div
            className={`mt-2.5 rounded-md px-3 py-2 ${inReview ? 'bg-heron-soft' : sheet.reviewNote === '' ? 'p-0!' : 'bg-amber-soft'}`}
        >
            {(inReview || sheet.reviewNote !== '') && (
                <p>
                    {inReview ? 'In review. Read it, then put it live or return it.' : 'Returned from review.'}
                    {sheet.reviewNote !== '' && <span className="block">“{sheet.reviewNote}”</span>}
                </p>
            )}
            {note === null ? (
                (inReview ? manages : canSend) && (
                    <Button variant="quiet" className="-ml-3" onClick={() => setNote('')}>
                        {act}…
                    </Button>
                )
            ) : (
                <form
                    className="mt-1.5 grid gap-2"
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
                        <Button onClick={() => setNote(null)}>Cancel</Button>
                    </div>
                </form>
            )}
        </div>
    )
}
