import { useQuery } from '@tanstack/react-query'
import { answered, api, type Schemas } from '../api/client'
import { count } from '../ui/count'
import { keys } from '../api/queries'
import type { Wanted } from './batches'

type Seen = Schemas['Foresight']

/** Which findings a change would bring or take, and which pages would be further away: looked for while the rest is read. */
export function Foresight({ site, wanted, digest }: { site: string; wanted: Wanted; digest: string }) {
    const { batch, plan } = wanted
    const body = { changes: batch?.changes ?? [], decisions: batch?.decisions ?? [] }
    const foresight = useQuery({
        // Not among what a change makes stale: once it is applied, there is nothing to foresee.
        queryKey: [...keys.foresight(site), plan ?? body, digest],
        queryFn: ({ signal }) =>
            answered(
                plan === undefined
                    ? api.POST('/sites/{site}/ripple-findings', { params: { path: { site } }, body, signal })
                    : api.GET('/sites/{site}/plans/{plan}/findings', {
                          params: { path: { site, plan: plan.id } },
                          signal,
                      }),
            ),
        retry: false,
        staleTime: Infinity,
    })
    const { data } = foresight
    return (
        <section aria-label="Findability" className="mt-3 min-h-6 border-t border-line pt-2">
            {data === undefined ? (
                <p className="text-ink-3">
                    {foresight.isError
                        ? `Findings could not be checked: ${foresight.error.message}`
                        : 'Checking which findings change…'}
                </p>
            ) : (
                <details>
                    <summary className={said(data).length > 0 ? '' : 'pointer-events-none list-none text-ink-3'}>
                        <span role="status">
                            {data.state === 'large'
                                ? 'This change is too large to check findings beforehand; they are checked right after it.'
                                : said(data).length > 0
                                  ? `Findability: ${said(data).join(', ')}.`
                                  : 'No finding changes, and no page gets further from the start page.'}
                        </span>
                    </summary>
                    <div className="mt-2 grid gap-x-8 gap-y-3 lg:grid-cols-2">
                        <Findings title="New findings" all={data.appears} findings={data.appear} />
                        <Findings title="Findings resolved" all={data.goes} findings={data.go} />
                        {data.moved.length > 0 && (
                            <div>
                                <h3 className="font-semibold">Clicks from the start page</h3>
                                <ul>
                                    {data.moved.map(page => (
                                        <li key={page.page} className="flex justify-between gap-4 py-0.5">
                                            <span className="truncate">{page.name}</span>
                                            <span className={page.to === null ? 'text-berry' : 'text-ink-2'}>
                                                {clicks(page.from)} → {clicks(page.to)}
                                            </span>
                                        </li>
                                    ))}
                                </ul>
                            </div>
                        )}
                    </div>
                </details>
            )}
        </section>
    )
}

function Findings({ title, all, findings }: { title: string; all: number; findings: Seen['appear'] }) {
    if (all === 0) return null
    return (
        <div>
            <h3 className="font-semibold">{title}</h3>
            <ul>
                {findings.map(each => (
                    <li key={`${each.check} ${each.page}`} className="py-0.5">
                        <b className="font-semibold">{each.name}</b> <span className="text-ink-2">{each.says}</span>
                    </li>
                ))}
                {all > findings.length && <li className="text-ink-3">and {all - findings.length} more</li>}
            </ul>
        </div>
    )
}

const clicks = (at: number | null) => (at === null ? 'not linked' : String(at))

/** What is foreseen, as parts of one sentence; nothing where nothing changes. */
export function said({ appears, goes, deeper, nearer, orphaned }: Seen) {
    return [
        appears > 0 && `${count(appears, 'finding appears', 'findings appear')}`,
        goes > 0 && `${count(goes, 'finding goes', 'findings go')}`,
        orphaned > 0 && `${count(orphaned, 'page')} can no longer be reached by clicking`,
        deeper > 0 && `${count(deeper, 'page')} further away`,
        nearer > 0 && `${count(nearer, 'page')} nearer`,
    ].filter(part => part !== false)
}
