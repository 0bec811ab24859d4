import type { Schemas } from '../../api/client'
import { shortDate } from '../../ui/time'

/** Hits as a bar a day, the oldest first. */
export function DayBars({
    days,
    top,
    height,
    label,
}: {
    days: Schemas['HitDay'][]
    top: number
    height: number
    label: string
}) {
    return (
        <svg
            viewBox={`0 0 ${days.length * 9} ${height}`}
            style={{ height }}
            className="w-full text-heron"
            role="img"
            aria-label={label}
            preserveAspectRatio="none"
        >
            {days.map((day, n) => (
                <rect
                    key={day.day}
                    x={n * 9}
                    width={7}
                    y={height - (day.hits / top) * (height - 2)}
                    height={(day.hits / top) * (height - 2)}
                    fill="currentColor"
                >
                    <title>{`${shortDate(day.day)}: ${day.hits}`}</title>
                </rect>
            ))}
            <line x1={0} x2={days.length * 9} y1={height - 0.5} y2={height - 0.5} stroke="var(--edge)" />
        </svg>
    )
}
