import type { Schemas } from '../../api/client'
import { shortDate } from '../../ui/time'

type Day = Schemas['AuditOverview']['days'][number]

const WIDTH = 640
const HEIGHT = 120
const LEFT = 30

/** The score by day as a line, the oldest first, with what it was at both ends. */
export function ScoreChart({ days }: { days: Day[] }) {
    const first = days[0]
    const last = days.at(-1)
    if (first === undefined || last === undefined || days.length < 2)
        return <p className="text-ink-3">The first point of the chart is made today; a line begins tomorrow.</p>
    const low = Math.max(0, Math.floor((Math.min(...days.map(day => day.score)) - 2) / 5) * 5)
    const high = Math.min(100, Math.ceil((Math.max(...days.map(day => day.score)) + 2) / 5) * 5)
    const x = (n: number) => LEFT + (n / (days.length - 1)) * (WIDTH - LEFT - 8)
    const y = (score: number) => HEIGHT - 18 - ((score - low) / Math.max(1, high - low)) * (HEIGHT - 30)
    const line = days.map((day, n) => `${x(n).toFixed(1)},${y(day.score).toFixed(1)}`).join(' ')
    return (
        <svg
            viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
            className="w-full max-w-[640px] text-heron"
            role="img"
            aria-label={`Score from ${first.score} on ${shortDate(first.day)} to ${last.score} on ${shortDate(last.day)}`}
        >
            {[low, high].map(mark => (
                <g key={mark}>
                    <line x1={LEFT} x2={WIDTH - 8} y1={y(mark)} y2={y(mark)} stroke="var(--line)" />
                    <text x={LEFT - 6} y={y(mark) + 4} textAnchor="end" fontSize={11} fill="var(--ink-3)">
                        {mark}
                    </text>
                </g>
            ))}
            <polyline points={line} fill="none" stroke="currentColor" strokeWidth={2} strokeLinejoin="round" />
            <circle cx={x(days.length - 1)} cy={y(last.score)} r={3.5} fill="currentColor" />
            {days.map((day, n) => (
                <rect key={day.day} x={x(n) - 5} width={10} y={0} height={HEIGHT - 16} fill="transparent">
                    <title>{`${shortDate(day.day)}: score ${day.score}, ${day.findings} findings`}</title>
                </rect>
            ))}
            <text x={LEFT} y={HEIGHT - 3} fontSize={11} fill="var(--ink-3)">
                {shortDate(first.day)}
            </text>
            <text x={WIDTH - 8} y={HEIGHT - 3} textAnchor="end" fontSize={11} fill="var(--ink-3)">
                {shortDate(last.day)}
            </text>
        </svg>
    )
}
