import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { answered, api, type Schemas } from '../../api/client'
import { keys } from '../../api/queries'
import { useSite } from '../../app/site'
import { Alert } from '../../ui/Alert'
import { Button } from '../../ui/Button'
import { count } from '../../ui/count'
import { Muted } from '../../ui/Muted'
import { ReadFailure } from '../../ui/ReadFailure'
import { ago } from '../../ui/time'
import { OutsideSwitch } from './OutsideSwitch'
import { outsideLinksQuery } from './queries'
import type { OpenPage } from './search'
import { Turn } from './Turn'

const PIECE = 100
const states: Record<Schemas['OutsideLink']['state'], [string, string]> = {
    broken: ['Broken', 'text-berry'],
    moved: ['Moved', 'text-amber'],
    unknown: ['Not known', 'text-ink-3'],
    works: ['Works', 'text-reed'],
}

/** Links to other sites, tried in the background: one of a host at a time, only where that is switched on. */
export function OutsideLinks({ onPage }: { onPage: OpenPage }) {
    const site = useSite()
    const queries = useQueryClient()
    const [offset, turn] = useState(0)
    const links = useQuery(outsideLinksQuery(site.key, offset))
    const again = useMutation({
        mutationFn: (url: string | null) =>
            answered(
                api.POST('/sites/{site}/outside-links/again', { params: { path: { site: site.key } }, body: { url } }),
            ),
        onSuccess: () => queries.invalidateQueries({ queryKey: keys.site(site.key) }),
    })
    const { data } = links
    const of = (state: string) => data?.counts.find(each => each.state === state)?.links ?? 0
    return (
        <section aria-label="Links to other sites" className="grid content-start gap-2">
            <div className="flex flex-wrap items-center justify-between gap-3">
                <h2 className="text-[16px] font-bold">Links to other sites</h2>
                {data !== undefined && (
                    <OutsideSwitch service="checksLinks" isOn={data.isOn} what="checking of links to other sites" />
                )}
            </div>
            <ReadFailure of={links} />
            {again.error !== null && <Alert>{again.error.message}</Alert>}
            {data !== undefined && (
                <p className="text-ink-2">
                    {data.isOn
                        ? `${count(of('broken'), 'broken link')}, ${of('moved')} moved, ${of('works')} working, ${of('unknown')} not known. Each is tried every week, one of a host at a time.`
                        : 'Nothing outside is asked while this is off. Switched on, each link is tried every week, one of a host at a time.'}
                    {data.isOn && site.may('search') && data.rows.length > 0 && (
                        <Button variant="quiet" disabled={again.isPending} onClick={() => again.mutate(null)}>
                            Try all again
                        </Button>
                    )}
                </p>
            )}
            {data?.rows.length === 0 && offset === 0 && <Muted>No page links to another site.</Muted>}
            <ul>
                {data?.rows.map(link => (
                    <li
                        key={link.url}
                        className="grid grid-cols-[76px_minmax(0,1.3fr)_minmax(0,1fr)_auto] items-baseline gap-3 border-t border-line py-1.5"
                    >
                        <b className={`font-semibold ${states[link.state][1]}`}>{states[link.state][0]}</b>
                        <span className="min-w-0">
                            <a
                                href={link.url}
                                target="_blank"
                                rel="noreferrer"
                                className="block truncate font-mono text-[13px] text-heron hover:underline"
                            >
                                {link.url}
                            </a>
                            <span className="block text-[12px] text-ink-3">
                                {link.says}
                                {link.leadsTo !== null && ` Now at ${link.leadsTo}.`}
                                {link.checked === null ? ' Not tried yet.' : ` Tried ${ago(link.checked)}.`}
                            </span>
                        </span>
                        <span className="min-w-0 text-ink-2">
                            {link.first.map((page, n) => (
                                <span key={page.id}>
                                    {n > 0 && ', '}
                                    <button
                                        type="button"
                                        className="text-left text-heron hover:underline"
                                        onClick={() => onPage(page.id, 'content')}
                                    >
                                        {page.name}
                                    </button>
                                </span>
                            ))}
                            {link.pages > link.first.length && ` and ${link.pages - link.first.length} more`}
                        </span>
                        <span className="text-right">
                            {data.isOn && site.may('search') && (
                                <Button
                                    variant="quiet"
                                    disabled={again.isPending}
                                    onClick={() => again.mutate(link.url)}
                                >
                                    Try again
                                </Button>
                            )}
                        </span>
                    </li>
                ))}
            </ul>
            <Turn offset={offset} piece={PIECE} rows={data?.rows.length} onTurn={turn} />
        </section>
    )
}
