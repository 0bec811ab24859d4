import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { answered, api, type Schemas } from '../../api/client'
import { keys } from '../../api/queries'
import { useSite } from '../../app/site'
import { Alert } from '../../ui/Alert'
import { Button } from '../../ui/Button'
import { Choice } from '../../ui/Choice'
import { count } from '../../ui/count'
import { Muted } from '../../ui/Muted'
import { ReadFailure } from '../../ui/ReadFailure'
import { ago } from '../../ui/time'
import { AnswerSearch } from './AnswerSearch'
import { Answers } from './Answers'
import { searchesQuery } from './queries'
import type { OpenPage } from './search'
import { Turn } from './Turn'

const PIECE = 200
const outcomes: Record<Schemas['Search']['outcome'], [string, string]> = {
    nothing: ['found nothing', 'text-berry'],
    near: ['found by a word spelt alike', 'text-amber'],
    found: ['found', 'text-ink-3'],
}

/** What visitors search on the site itself: what finds nothing is answered with a page or a sentence. */
export function Searches({ onPage }: { onPage: OpenPage }) {
    const site = useSite()
    const queries = useQueryClient()
    const [all, showAll] = useState(false)
    const [offset, turn] = useState(0)
    const [answering, answer] = useState<string | null>(null)
    const searches = useQuery(searchesQuery(site.key, !all, offset))
    const forget = useMutation({
        mutationFn: (words: string) =>
            answered(api.DELETE('/sites/{site}/searches', { params: { path: { site: site.key } }, body: { words } })),
        onSuccess: () => queries.invalidateQueries({ queryKey: keys.site(site.key) }),
    })
    const { data } = searches
    return (
        <div className="min-h-0 flex-1 overflow-y-auto px-4 py-4">
            <ReadFailure of={searches} />
            {forget.error !== null && <Alert>{forget.error.message}</Alert>}
            <div className="grid max-w-[1120px] gap-x-10 gap-y-6 lg:grid-cols-[minmax(0,1fr)_minmax(0,360px)]">
                <section aria-label="What visitors searched" className="grid content-start gap-2">
                    <div className="flex flex-wrap items-baseline gap-x-6">
                        <h2 className="text-[16px] font-bold">
                            {all ? 'What visitors searched' : 'Searches without results'}
                        </h2>
                        <Choice
                            checked={all}
                            onChange={event => {
                                showAll(event.target.checked)
                                turn(0)
                            }}
                        >
                            Include searches with results
                        </Choice>
                    </div>
                    {data?.rows.length === 0 && offset === 0 && (
                        <Muted>
                            {all ? 'Nobody has searched yet.' : 'None: every search found something or has an answer.'}
                        </Muted>
                    )}
                    <ul>
                        {data?.rows.map(row => (
                            <li
                                key={row.words}
                                className="grid grid-cols-[minmax(0,1fr)_88px_84px_auto] items-center gap-3 border-t border-line py-1"
                            >
                                <span className="min-w-0">
                                    <b className="font-semibold break-words">{row.words}</b>{' '}
                                    <span
                                        className={`text-[12px] ${row.answer === null ? outcomes[row.outcome][1] : 'text-reed'}`}
                                    >
                                        {row.answer === null ? outcomes[row.outcome][0] : 'answered'}
                                    </span>
                                </span>
                                <span className="text-right tabular-nums">{count(row.times, 'time')}</span>
                                <span className="text-right text-[12px] text-ink-3">{ago(row.last)}</span>
                                <span className="flex justify-end">
                                    {site.may('search') && (
                                        <>
                                            <Button variant="quiet" onClick={() => answer(row.words)}>
                                                Answer
                                            </Button>
                                            <Button
                                                variant="quiet"
                                                disabled={forget.isPending}
                                                onClick={() => forget.mutate(row.words)}
                                            >
                                                Remove
                                            </Button>
                                        </>
                                    )}
                                </span>
                            </li>
                        ))}
                    </ul>
                    <Turn offset={offset} piece={PIECE} rows={data?.rows.length} onTurn={turn} />
                    <Muted small>
                        Counted by words and day, never by whom. Visitors search at{' '}
                        <a
                            href={`${site.origin}/_search`}
                            target="_blank"
                            rel="noreferrer"
                            className="text-heron underline"
                        >
                            {`${site.origin}/_search`.replace(/^https?:\/\//, '')}
                        </a>
                        . Live, listed pages are found there, unless their Search tab keeps them out.
                    </Muted>
                </section>
                <Answers
                    answers={data?.answers ?? []}
                    onPage={onPage}
                    onAnswer={site.may('search') ? words => answer(words) : null}
                />
            </div>
            {answering !== null && (
                <AnswerSearch
                    words={answering}
                    stands={data?.answers.find(each => each.words === answering)}
                    onClose={() => answer(null)}
                />
            )}
        </div>
    )
}
