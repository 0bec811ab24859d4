import { useQueries } from '@tanstack/react-query'
import { useState } from 'react'
import type { Schemas } from '../../api/client'
import { redirectQuery } from '../../api/queries'
import { useSite } from '../../app/site'
import { Button } from '../../ui/Button'
import { shortDate } from '../../ui/time'

/** Redirects that lead to the same, side by side: which of the posters brings people? */
export function Compared({ own, source, others }: { own: string; source: string; others: Schemas['RedirectDetail']['sameTarget'] }) {
    const site = useSite()
    const [isShown, show] = useState(false)
    const all = [{ id: own, source, note: '' }, ...others]
    const details = useQueries({ queries: all.map(each => ({ ...redirectQuery(site.key, each.id), enabled: isShown })) })
    if (others.length === 0) return null
    const weeks = details.map(({ data }) => byWeek(data?.days ?? []))
    const top = Math.max(1, ...weeks.flatMap(each => each.map(week => week.hits)))
    return (
        <section aria-label="Compared">
            <h3 className="flex items-center justify-between font-semibold">{others.length === 1 ? 'Another redirect leads there' : `${others.length} other redirects lead there`}<Button look="quiet" aria-expanded={isShown} onClick={() => show(!isShown)}>{isShown ? 'Hide' : 'Compare'}</Button></h3>
            {isShown && (
                <table className="w-full text-[12px]">
                    <caption className="sr-only">Hits by week</caption>
                    <thead><tr className="text-ink-3"><th className="text-left font-normal">Address</th>{weeks[0]?.map(week => <th key={week.from} className="text-right font-normal">{shortDate(week.from)}</th>)}<th className="text-right font-normal">All</th></tr></thead>
                    <tbody>
                        {all.map((each, n) => (
                            <tr key={each.id}>
                                <th className="max-w-[120px] truncate text-left font-mono font-normal" title={each.note}>{each.source}</th>
                                {weeks[n]?.map(week => <td key={week.from} className="text-right tabular-nums" style={{ background: `color-mix(in srgb, var(--heron-soft) ${Math.round((week.hits / top) * 100)}%, transparent)` }}>{week.hits}</td>)}
                                <td className="text-right font-semibold tabular-nums">{weeks[n]?.reduce((sum, week) => sum + week.hits, 0)}</td>
                            </tr>
                        ))}
                    </tbody>
                </table>
            )}
        </section>
    )
}

function byWeek(days: Schemas['RedirectDetail']['days']) {
    return Array.from({ length: Math.floor(days.length / 7) }, (_, week) => ({ from: days[week * 7]?.day ?? '', hits: days.slice(week * 7, week * 7 + 7).reduce((sum, day) => sum + day.hits, 0) }))
}
