import { useInfiniteQuery } from '@tanstack/react-query'
import { useState } from 'react'
import type { Schemas } from '../../api/client'
import { Sentence } from '../../app/Sentence'
import { useSite } from '../../app/site'
import { readable } from '../../ui/Address'
import { Button } from '../../ui/Button'
import { Muted } from '../../ui/Muted'
import { ReadFailure } from '../../ui/ReadFailure'
import { ago } from '../../ui/time'
import { Dismiss } from './Dismiss'
import { isOfGrid, tabOf } from './labels'
import { findingsOfCheckQuery } from './queries'
import type { OpenPage } from './search'

const PIECE = 100

type Props = {
    group: Schemas['FindingGroup']
    all: boolean
    onPage: OpenPage
    onEntry: (entry: string) => void
    onGrid: () => void
}

/** One check: why it matters, and every page that it found something on, each opened where it is mended. */
export function FindingGroup({ group, all, onPage, onEntry, onGrid }: Props) {
    const site = useSite()
    const [dismissing, dismiss] = useState<Schemas['Finding'] | null>(null)
    const found = useInfiniteQuery({
        queryKey: [...findingsOfCheckQuery(site.key, group.check, all, 0).queryKey, 'pieces'],
        queryFn: ({ pageParam, client }) =>
            client.fetchQuery({ ...findingsOfCheckQuery(site.key, group.check, all, pageParam), staleTime: 0 }),
        initialPageParam: 0,
        getNextPageParam: (last, pieces) => (last.length < PIECE ? undefined : pieces.length * PIECE),
    })
    const rows = found.data?.pages.flat() ?? []
    return (
        <section aria-label={group.title} className="min-w-0 flex-1 overflow-y-auto px-5 py-3">
            <div className="flex flex-wrap items-start gap-3">
                <div className="min-w-0 flex-1">
                    <h2 className="text-[17px] leading-6 font-bold">{group.title}</h2>
                    <Muted>{group.why}</Muted>
                </div>
                {isOfGrid(group.fix) && (
                    <Button variant="main" onClick={onGrid}>
                        Fix them in the grid
                    </Button>
                )}
            </div>
            <ReadFailure of={found} />
            <ul className="mt-3" aria-label="Pages">
                {rows.map(row => (
                    <li key={row.page} className="flex items-start gap-3 border-t border-line py-2">
                        <span className="min-w-0 flex-1">
                            <button
                                type="button"
                                onClick={() => onPage(row.page, tabOf(group.fix))}
                                className="font-semibold text-heron hover:underline"
                            >
                                {row.name}
                            </button>{' '}
                            <span className="font-mono text-[12px] break-all text-ink-3">{readable(row.address)}</span>
                            <span className="block">{row.says}</span>
                            <span className="block text-[12px] leading-4 text-ink-3">
                                since {ago(row.since)}
                                {row.entry !== null && row.sentence !== null && (
                                    <>
                                        , caused by:{' '}
                                        <button
                                            type="button"
                                            className="text-left hover:underline"
                                            onClick={() => row.entry !== null && onEntry(row.entry)}
                                        >
                                            <Sentence text={row.sentence} />
                                        </button>
                                    </>
                                )}
                            </span>
                        </span>
                        {site.may('search') && (
                            <Button
                                variant="quiet"
                                className="font-normal! text-ink-3!"
                                aria-label={`Not a problem here: ${row.name}`}
                                onClick={() => dismiss(row)}
                            >
                                Not a problem here
                            </Button>
                        )}
                    </li>
                ))}
            </ul>
            {found.hasNextPage && (
                <Button disabled={found.isFetching} onClick={() => void found.fetchNextPage()}>
                    Show more pages
                </Button>
            )}
            {dismissing !== null && <Dismiss finding={dismissing} group={group} onClose={() => dismiss(null)} />}
        </section>
    )
}
