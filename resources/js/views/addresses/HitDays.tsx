import type { Schemas } from '../../api/client'
import { count } from '../../ui/count'
import { shortDate } from '../../ui/time'

type Props = Schemas['MissedDetail'] & { word?: string; none?: string }

/** Hits by day for six weeks, and where visitors came from. */
export function HitDays({ days, referrers, word = 'hit', none = 'Nobody has come this way in six weeks' }: Props) {
    const sum = days.reduce((all, day) => all + day.hits, 0)
    const bots = days.reduce((all, day) => all + day.bots, 0)
    const top = Math.max(1, ...days.map(day => day.hits))
    return (
        <section aria-label="Hits">
            <h3 className="mb-1.5 font-semibold">{sum === 0 ? none : `${count(sum, word)} in six weeks`}{bots > 0 && <span className="font-normal text-ink-3"> and {bots.toLocaleString('en-GB')} by programs</span>}</h3>
            {sum > 0 && (
                <>
                    <svg viewBox={`0 0 ${days.length * 9} 56`} className="h-14 w-full text-heron" role="img" aria-label={`Hits by day, at most ${top}`} preserveAspectRatio="none">
                        {days.map((day, n) => <rect key={day.day} x={n * 9} width={7} y={56 - (day.hits / top) * 54} height={(day.hits / top) * 54} fill="currentColor"><title>{`${shortDate(day.day)}: ${day.hits}`}</title></rect>)}
                        <line x1={0} x2={days.length * 9} y1={55.5} y2={55.5} stroke="var(--edge)" />
                    </svg>
                    <p className="flex justify-between text-[12px] text-ink-3"><span>{shortDate(days[0]?.day ?? '')}</span><span>today</span></p>
                    <ul className="mt-1.5 text-[13px]">{referrers.slice(0, 6).map(each => <li key={each.host} className="flex justify-between gap-3"><span className="truncate">{each.host === '' ? 'typed, or from a poster' : each.host}</span><span className="tabular-nums text-ink-2">{each.hits.toLocaleString('en-GB')}</span></li>)}</ul>
                </>
            )}
        </section>
    )
}
