import { useQueryClient } from '@tanstack/react-query'
import { Link } from '@tanstack/react-router'
import { X } from 'lucide-react'
import { useState } from 'react'
import { answered, api } from '../../api/client'
import { useSite } from '../../app/site'
import { actLabel, type PageAct } from '../../app/pageActs'
import { usePageActs } from '../../app/usePageActs'
import { Button, buttonClasses } from '../../ui/Button'
import { count } from '../../ui/count'
import type { Facets } from './Facets'

type Props = {
    ids: string[]
    onMark: (ids: string[]) => void
    onMove: () => void
    onPick: () => void
    onTag: () => void
    filter: { text: string; facets: Facets; total: number } | null
}

const manager: PageAct[] = ['go-live', 'take-offline', 'list-page', 'unlist-page', 'duplicate', 'put-in-bin']
const writer: PageAct[] = ['send-for-review', 'duplicate', 'put-in-bin']

/** What is marked, and what can be done to all of it at once; under a filter, marking everything it finds. */
export function MarkBar({ ids, onMark, onMove, onPick, onTag, filter }: Props) {
    const site = useSite()
    const queries = useQueryClient()
    const { act } = usePageActs()
    const [busy, setBusy] = useState(false)
    if (ids.length === 0 && filter === null) return null
    const markAll = async () => {
        if (filter === null) return
        setBusy(true)
        const { text, facets } = filter
        onMark(
            await queries.fetchQuery({
                queryKey: ['site', site.key, 'all-found', text, facets],
                queryFn: () =>
                    answered(
                        api.GET('/sites/{site}/filter/pages', {
                            params: { path: { site: site.key }, query: { text, ...facets } },
                        }),
                    ),
                staleTime: 0,
            }),
        )
        setBusy(false)
    }
    const pages = ids.map(id => ({ id, name: 'the marked page' }))
    return (
        <div
            role="toolbar"
            aria-label="Marked pages"
            className="flex min-h-10 flex-wrap items-center gap-x-1.5 gap-y-1 border-t border-line bg-heron-soft px-4 py-1"
        >
            {ids.length === 0 ? (
                <Button variant="quiet" disabled={busy} onClick={() => void markAll()}>
                    Mark all {count(filter?.total ?? 0, 'page')} that match
                </Button>
            ) : (
                <>
                    <p role="status" className="mr-2 font-semibold">
                        {count(ids.length, 'page')} marked
                    </p>
                    {filter !== null && filter.total > ids.length && (
                        <Button variant="quiet" disabled={busy} onClick={() => void markAll()}>
                            Mark all {filter.total.toLocaleString('en-GB')}
                        </Button>
                    )}
                    <Button variant="quiet" onClick={onMove}>
                        Move to…
                    </Button>
                    <Link
                        to="/s/$site/replace"
                        params={{ site: site.key }}
                        search={{ pages: ids.join(',') }}
                        className={buttonClasses('quiet')}
                    >
                        Find and replace…
                    </Link>
                    <Button variant="quiet" onClick={onTag}>
                        Tag…
                    </Button>
                    {site.maySomewhere('publish') && (
                        <Button variant="quiet" onClick={onPick}>
                            Add to picks…
                        </Button>
                    )}
                    {(site.maySomewhere('publish') ? manager : writer).map(each => (
                        <Button key={each} variant="quiet" onClick={() => void act(each, pages, () => onMark([]))}>
                            {ids.length > 1 ? actLabel(each).replace('…', '') : actLabel(each)}
                        </Button>
                    ))}
                    <button
                        type="button"
                        onClick={() => onMark([])}
                        className="ml-auto flex h-[30px] items-center gap-1 rounded px-2 text-ink-2 hover:text-ink"
                    >
                        <X size={14} aria-hidden />
                        Unmark all
                    </button>
                </>
            )}
        </div>
    )
}
