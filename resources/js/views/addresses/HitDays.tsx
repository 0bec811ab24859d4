import { useState } from 'react'
import type { Schemas } from '../../api/client'
import type { Span } from '../../api/addressQueries'
import { Button } from '../../ui/Button'
import { count } from '../../ui/count'
import { ago, clock, shortDate } from '../../ui/time'
import { DayBars } from './DayBars'

type Props = Schemas['MissedDetail'] & {
    word?: string
    none?: string
    since?: string
    span: Span
    onSpan: (span: Span) => void
}

const spans: Record<Span, { days: number; words: string; running: string }> = {
    day: { days: 42, words: 'in six weeks', running: 'today' },
    week: { days: 26 * 7, words: 'in half a year', running: 'this week' },
    month: { days: 730, words: 'in two years', running: 'this month' },
}
const all = Object.keys(spans) as Span[]

/** Hits by day, week or month, and where visitors came from in the last six weeks. */
export function HitDays({
    days,
    referrers,
    word = 'hit',
    none = 'Nobody has come this way',
    since,
    span,
    onSpan,
}: Props) {
    const { days: back, words, running } = spans[span]
    const [now] = useState(Date.now)
    // Of a redirect that is younger than that nothing is said of so long a time.
    const isYoung = since !== undefined && now - Date.parse(since) < back * 86_400_000
    const time = isYoung ? `since it was made (${ago(since)}, ${clock(since)})` : words
    const sum = days.reduce((hits, day) => hits + day.hits, 0)
    const bots = days.reduce((hits, day) => hits + day.bots, 0)
    const top = Math.max(1, ...days.map(day => day.hits))
    return (
        <section aria-label="Hits">
            <h3 className="mb-1 font-semibold">
                {sum === 0 ? `${none} ${time}` : `${count(sum, word)} ${time}`}
                {bots > 0 && (
                    <span className="font-normal text-ink-3"> and {bots.toLocaleString('en-GB')} by programs</span>
                )}
            </h3>
            <div role="group" aria-label="Hits by" className="mb-1 -ml-2 flex">
                {all.map(each => (
                    <Button
                        key={each}
                        variant="quiet"
                        aria-pressed={each === span}
                        className={`h-6! px-2! text-[12px] ${each === span ? '' : 'text-ink-3!'}`}
                        onClick={() => onSpan(each)}
                    >
                        by {each}
                    </Button>
                ))}
            </div>
            {sum > 0 && (
                <>
                    <DayBars days={days} top={top} height={56} label={`Hits by ${span}, at most ${top}`} />
                    <p className="flex justify-between text-[12px] text-ink-3">
                        <span>{shortDate(days[0]?.day ?? '')}</span>
                        <span>{running}</span>
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
