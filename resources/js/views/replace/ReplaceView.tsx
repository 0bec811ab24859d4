import { useState } from 'react'
import { ApiProblem } from '../../api/client'
import { useChanges } from '../../app/changes'
import type { ReplaceSearch } from '../../app/replaceSearch'
import { Alert } from '../../ui/Alert'
import { Button } from '../../ui/Button'
import { count } from '../../ui/count'
import { Muted } from '../../ui/Muted'
import { PageTitle } from '../../ui/PageTitle'
import { FoundList } from './FoundList'
import { ReplaceForm } from './ReplaceForm'
import { changeOf, useFound } from './useFound'

type Props = { search: ReplaceSearch; set: (change: Partial<ReplaceSearch>) => void }

/** Finds a text wherever it stands, shows every place before and after, and replaces those that are ticked as one change. */
export function ReplaceView({ search, set }: Props) {
    const { propose } = useChanges()
    const { query, asked, isCurrent } = useFound(search)
    const [left, leave] = useState<{ of: string; keys: ReadonlySet<string> }>({ of: '', keys: new Set() })
    const keys = left.of === asked ? left.keys : new Set<string>()
    const answer = search.find === undefined || query.isError ? undefined : query.data
    const listed = answer?.found.reduce((sum, each) => sum + each.places.length, 0) ?? 0
    const taken = (answer?.places ?? 0) - keys.size
    const problem = query.error instanceof ApiProblem ? query.error : null
    const turn = (turned: string[], take: boolean) => {
        const next = new Set(keys)
        for (const key of turned)
            if (take) next.delete(key)
            else next.add(key)
        leave({ of: asked, keys: next })
    }
    const replace = () =>
        void propose({
            title: `Replacing “${search.find ?? ''}” with “${search.with ?? ''}” in ${count(taken, 'place')}`,
            act: 'Replace them',
            batch: { changes: [{ ...changeOf(search), ...(keys.size > 0 ? { skip: [...keys] } : {}) }] },
            always: true,
        })
    return (
        <main aria-label="Find and replace" className="flex h-full min-h-0">
            <div className="w-[288px] shrink-0 overflow-y-auto border-r border-line px-4 pt-4 pb-6">
                <div className="mb-4">
                    <PageTitle>Find and replace</PageTitle>
                </div>
                <ReplaceForm search={search} set={set} problem={problem} />
            </div>
            <div className="flex min-w-0 flex-1 flex-col">
                <div className="flex h-14 shrink-0 items-center gap-2 border-b border-line px-5">
                    <p role="status" className="min-w-0 flex-1 truncate">
                        {answer === undefined
                            ? ''
                            : answer.places === 0
                              ? 'Not found anywhere.'
                              : `${count(answer.places, 'place')} on ${count(answer.pages, 'page')}${answer.menus > 0 ? ` and in ${count(answer.menus, 'menu')}` : ''}`}
                    </p>
                    {answer !== undefined && answer.places > 0 && (
                        <>
                            <Button variant="quiet" onClick={() => leave({ of: asked, keys: new Set() })}>
                                Tick all
                            </Button>
                            <Button
                                variant="quiet"
                                onClick={() =>
                                    turn(
                                        answer.found.flatMap(each => each.places.map(place => place.key)),
                                        false,
                                    )
                                }
                            >
                                Tick none
                            </Button>
                            <Button variant="main" disabled={taken === 0 || !isCurrent} onClick={replace}>
                                Replace in {count(taken, 'place')}…
                            </Button>
                        </>
                    )}
                </div>
                <div className="min-h-0 flex-1 overflow-y-auto px-5 py-4">
                    {search.find === undefined && (
                        <Muted>
                            Type what to find. Every place is shown as it is and as it would be, before anything is
                            changed. Addresses and code are never looked into.
                        </Muted>
                    )}
                    {problem !== null && problem.problem.errors === undefined && <Alert>{problem.message}</Alert>}
                    {answer !== undefined && answer.places > listed && (
                        <p className="mb-3 rounded bg-amber-soft px-3 py-2">
                            The first {listed.toLocaleString('en-GB')} places are listed;{' '}
                            {(answer.places - listed).toLocaleString('en-GB')} more are replaced with them. Look in one
                            branch to see each.
                        </p>
                    )}
                    {answer !== undefined && <FoundList found={answer.found} left={keys} onTurn={turn} />}
                </div>
            </div>
        </main>
    )
}
