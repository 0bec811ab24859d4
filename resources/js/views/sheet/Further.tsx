import { useState } from 'react'
import type { Schemas } from '../../api/client'
import { useChanges } from '../../app/changes'
import { mayOn } from '../../app/site'
import { Address } from '../../ui/Address'
import { Button } from '../../ui/Button'
import { inputClasses } from '../../ui/Field'
import { Alert } from '../../ui/Alert'
import { Choice } from '../../ui/Choice'

/** Where else the page answers: addresses that serve it, and those that send on to it. */
export function Further({ sheet }: { sheet: Schemas['PageSheet'] }) {
    const manages = mayOn(sheet, 'addresses')
    const { propose } = useChanges()
    const [adding, setAdding] = useState(false)
    const [address, setAddress] = useState('')
    const [answer, setAnswer] = useState<'serve' | 'send-on'>('send-on')
    const [refused, setRefused] = useState<string | null>(null)
    const add = () => {
        setRefused(null)
        void propose({
            title: `Letting ${sheet.name} also answer at ${address}`,
            act: 'Add the address',
            batch: { changes: [{ kind: 'add-address', page: sheet.id, address, answer }] },
            done: () => {
                setAdding(false)
                setAddress('')
            },
            failed: problem => setRefused(problem.message),
        })
    }
    const remove = (from: string) =>
        void propose({
            title: `Removing ${from}`,
            act: 'Remove it',
            batch: { changes: [{ kind: 'remove-address', page: sheet.id, address: from }] },
        })
    const all: [string, string][] = [
        ...sheet.alsoAnswers.map((each): [string, string] => [each, 'shows the page']),
        ...sheet.sendsOn.map((each): [string, string] => [each, 'redirects here']),
    ]
    return (
        <>
            <dt>Addresses</dt>
            <dd>
                <ul aria-label="Addresses of the page">
                    <li className="flex min-h-[30px] items-center gap-2">
                        <span className="min-w-0 flex-1">
                            <Address address={sheet.address} />
                        </span>
                        <span className="text-[12px] text-ink-3">its own</span>
                    </li>
                    {all.map(([each, word]) => (
                        <li key={each} className="flex min-h-[30px] items-center gap-2">
                            <span className="min-w-0 flex-1">
                                <Address address={each} />
                            </span>
                            <span className="shrink-0 text-[12px] text-ink-3">{word}</span>
                            {manages && (
                                <Button
                                    variant="quiet"
                                    className="-mr-3"
                                    aria-label={`Remove ${each}`}
                                    onClick={() => remove(each)}
                                >
                                    Remove
                                </Button>
                            )}
                        </li>
                    ))}
                </ul>
                {manages && !adding && (
                    <Button variant="quiet" className="-ml-3" onClick={() => setAdding(true)}>
                        Add an address…
                    </Button>
                )}
                {adding && (
                    <form
                        className="grid gap-1.5 pt-1"
                        onSubmit={event => {
                            event.preventDefault()
                            add()
                        }}
                    >
                        <input
                            autoFocus
                            aria-label="Further address"
                            placeholder="/poster"
                            value={address}
                            onChange={event => setAddress(event.target.value)}
                            aria-invalid={refused !== null}
                            className={`${inputClasses} font-mono text-[13px]`}
                        />
                        {refused !== null && <Alert className="text-[12px]">{refused}</Alert>}
                        <Choice
                            type="radio"
                            name="answer"
                            checked={answer === 'send-on'}
                            onChange={() => setAnswer('send-on')}
                        >
                            redirects to the page
                        </Choice>
                        <Choice
                            type="radio"
                            name="answer"
                            checked={answer === 'serve'}
                            onChange={() => setAnswer('serve')}
                        >
                            shows the page there
                        </Choice>
                        <div className="flex gap-2">
                            <Button type="submit" variant="main" disabled={address.trim() === ''}>
                                Add the address
                            </Button>
                            <Button
                                onClick={() => {
                                    setAdding(false)
                                    setRefused(null)
                                }}
                            >
                                Cancel
                            </Button>
                        </div>
                    </form>
                )}
            </dd>
        </>
    )
}
