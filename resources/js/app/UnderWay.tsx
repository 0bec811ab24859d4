import { useQuery, useQueryClient } from '@tanstack/react-query'
import { useEffect, useRef } from 'react'
import { answered, api } from '../api/client'
import { keys } from '../api/queries'
import { Button } from '../ui/Button'
import { useChanges } from './changes'
import { notify } from './notify'
import { useSite } from './site'
import type { Large } from './large'

/** How often one asks while something runs, and while nothing does: somebody else may begin it. In ms. */
const RUNS = 700
const RESTS = 15_000

const none: Large[] = []

/** Large changes of the site that run right now, whoever asked for them; of one that does no longer, `ended` is told. */
function useRunning(site: string, ended: (change: Large) => Promise<void>) {
    const { data: running = none } = useQuery({
        queryKey: keys.underWay(site),
        queryFn: () => answered(api.GET('/sites/{site}/under-way', { params: { path: { site } } })),
        refetchInterval: query => ((query.state.data ?? none).length > 0 ? RUNS : RESTS),
    })
    const seen = useRef(new Map<string, Large>())
    useEffect(() => {
        const now = new Set(running.map(change => change.id))
        for (const [id, change] of seen.current)
            if (!now.has(id)) {
                seen.current.delete(id)
                void ended(change)
            }
        for (const change of running) seen.current.set(change.id, change)
    }, [ended, running])
    return running
}

/** Says all the while that a large change is being made: how far it is, to whoever asked for it; to others that theirs wait. */
export function UnderWay() {
    const { ended } = useChanges()
    const running = useRunning(useSite().key, ended)
    // One at a time is made: one's own before that of others, which can wait to be told of.
    const first = running.find(change => change.own) ?? running[0]
    return first === undefined ? null : <Running change={first} others={running.length - 1} />
}

function Running({ change, others }: { change: Large; others: number }) {
    const site = useSite()
    const queries = useQueryClient()
    const writes = change.state === 'writing' && change.total > 0
    const about = `about ${change.pages.toLocaleString('en-GB')} pages`
    const waits = 'What you apply now waits for it.'
    const stop = () =>
        void answered(
            api.DELETE('/sites/{site}/under-way/{change}', { params: { path: { site: site.key, change: change.id } } }),
        )
            .catch((problem: unknown) => notify.error(problem instanceof Error ? problem.message : String(problem)))
            .then(() => queries.invalidateQueries({ queryKey: keys.underWay(site.key) }))
    return (
        <section
            aria-label="Change in progress"
            // In the strip at the top: what stands in the view stays where it is when somebody begins one.
            className="flex h-[38px] min-w-0 items-center gap-3 rounded-md bg-heron-soft pr-1 pl-3 text-[13px] text-heron"
        >
            <p className="min-w-0 flex-1 truncate" role="status" title={`${change.title}, ${about}. ${waits}`}>
                {!change.own && `${change.by ?? 'Somebody'}: `}
                <b>{change.title}</b>, {about}. {waits}
                {others > 0 && ` ${others} more after it.`}
            </p>
            <span className="flex w-[90px] shrink-0 max-xl:hidden">
                <progress
                    aria-label="How much is written"
                    className="track"
                    {...(writes ? { value: change.done, max: change.total } : {})}
                />
            </span>
            <span className="shrink-0 text-[12.5px] tabular-nums max-md:hidden">{words(change)}</span>
            <span className="shrink-0">
                {change.own && (
                    <Button onClick={stop} disabled={change.stopping}>
                        Stop
                    </Button>
                )}
            </span>
        </section>
    )
}

function words({ state, done, total, stopping }: Large) {
    if (stopping) return 'Stopping…'
    if (state === 'waiting') return 'Waits to begin'
    if (state === 'planning') return 'Working it out'
    return done < total ? `${Math.floor((100 * done) / total)} % written` : 'Almost done'
}
