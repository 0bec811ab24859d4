import { useState } from 'react'
import type { Schemas } from '../../api/client'
import { count } from '../../ui/count'
import { ago, clock, shortDate } from '../../ui/time'
import { DayBars } from './DayBars'

type Props = Schemas['MissedDetail'] & { word?: string; none?: string; since?: string }

const SIX_WEEKS = 42 * 86_400_000

/** Hits by day for six weeks, and where visitors came from. */
export function HitDays({ days, referrers, word = 'hit', none = 'Nobody has come this way', since }: Props) {
    // Of a redirect that is younger than that nothing is said of six weeks.
    const [young] = useState(() => since !== undefined && Date.now() - Date.parse(since) < SIX_WEEKS)
    const span = young && since !== undefined ? `since it was made (${ago(since)}, ${clock(since)})` : 'in six weeks'
    const sum = days.reduce((all, day) => all + day.hits, 0)
    const bots = days.reduce((all, day) => all + day.bots, 0)
    const top = Math.max(1, ...days.map(day => day.hits))
    return (
        <section aria-label="Hits">
            <h3 className="mb-1.5 font-semibold">
                {sum === 0 ? `${none} ${span}` : `${count(sum, word)} ${span}`}
                {bots > 0 && (
                    <span className="font-normal text-ink-3"> and {bots.toLocaleString('en-GB')} by programs</span>
                )}
            </h3>
            {sum > 0 && (
                <>
                    <DayBars days={days} top={top} height={56} label={`Hits by day, at most ${top}`} />
                    <p className="flex justify-between text-[12px] text-ink-3">
                        <span>{shortDate(days[0]?.day ?? '')}</span>
                        <span>today</span>
                    </p>
                    <ul className="mt-1.5 text-[13px]">
                        {referrers.slice(0, 6).map(each => (
                            <li key={each.host} className="flex justify-between gap-3">
                                <span className="truncate">
                                    {each.host === '' ? 'typed, or from a poster' : each.host}
                                </span>
                                <span className="text-ink-2 tabular-nums">{each.hits.toLocaleString('en-GB')}</span>
                            </li>
                        ))}
                    </ul>
                </>
            )}
        </section>
    )
}
