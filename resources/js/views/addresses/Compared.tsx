import { useQueries } from '@tanstack/react-query'
import { useState } from 'react'
import type { Schemas } from '../../api/client'
import { redirectQuery } from '../../api/addressQueries'
import { useSite } from '../../app/site'
import { Button } from '../../ui/Button'
import { shortDate } from '../../ui/time'
import { DayBars } from './DayBars'

const DAYS = 28

/** How high the bars of one are, px. */
const HEIGHT = 34

/** Redirects that lead to the same, one above the other day by day and on one scale: which of the posters brings people? */
export function Compared({
    own,
    source,
    others,
}: {
    own: string
    source: string
    others: Schemas['RedirectDetail']['sameTarget']
}) {
    const site = useSite()
    const [isShown, show] = useState(false)
    const [left, leave] = useState<string[]>([])
    const all = [{ id: own, source, note: '' }, ...others]
    const details = useQueries({
        queries: all.map(each => ({ ...redirectQuery(site.key, each.id), enabled: isShown })),
    })
    if (others.length === 0) return null
    const compared = all.map((each, n) => ({
        ...each,
        days: (details[n]?.data?.days ?? []).slice(-DAYS),
        isLeft: left.includes(each.id),
    }))
    const top = Math.max(1, ...compared.flatMap(each => (each.isLeft ? [] : each.days.map(day => day.hits))))
    const days = compared[0]?.days ?? []
    return (
        <section aria-label="Compared">
            <h3 className="flex items-center justify-between font-semibold">
                {others.length === 1 ? 'Another redirect leads there' : `${others.length} other redirects lead there`}
                <Button variant="quiet" aria-expanded={isShown} onClick={() => show(!isShown)}>
                    {isShown ? 'Hide' : 'Compare'}
                </Button>
            </h3>
            {isShown && (
                <>
                    <ul className="grid gap-1.5">
                        {compared.map(each => {
                            const sum = each.days.reduce((hits, day) => hits + day.hits, 0)
                            return (
                                <li key={each.id}>
                                    <label className="flex items-center gap-2 text-[13px]" title={each.note}>
                                        <input
                                            type="checkbox"
                                            className="accent-heron"
                                            checked={!each.isLeft}
                                            onChange={event =>
                                                leave(
                                                    event.target.checked
                                                        ? left.filter(id => id !== each.id)
                                                        : [...left, each.id],
                                                )
                                            }
                                        />
                                        <span className="min-w-0 flex-1 truncate font-mono">{each.source}</span>
                                        {!each.isLeft && (
                                            <b className="font-semibold tabular-nums">{sum.toLocaleString('en-GB')}</b>
                                        )}
                                    </label>
                                    {!each.isLeft && (
                                        <div style={{ minHeight: HEIGHT }}>
                                            {each.days.length > 0 && (
                                                <DayBars
                                                    days={each.days}
                                                    top={top}
                                                    height={HEIGHT}
                                                    label={each.days
                                                        .map(day => `${shortDate(day.day)} ${day.hits}`)
                                                        .join(', ')}
                                                />
                                            )}
                                        </div>
                                    )}
                                </li>
                            )
                        })}
                    </ul>
                    <p className="flex justify-between text-[12px] text-ink-3">
                        <span>{shortDate(days[0]?.day ?? '')}</span>
                        <span>hits a day, at most {top}</span>
                        <span>today</span>
                    </p>
                </>
            )}
        </section>
    )
}
