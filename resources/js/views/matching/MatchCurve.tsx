import { useMemo } from 'react'
import { count } from '../../ui/count'
import { curve, expected, isFree, type Row } from './matching'

const WIDTH = 208
const HEIGHT = 34

const points = (values: number[], most: number) =>
    values
        .map(
            (value, n) =>
                `${(n / (values.length - 1)) * WIDTH},${HEIGHT - (value / Math.max(most, 0.001)) * (HEIGHT - 2)}`,
        )
        .join(' ')

type Props = {
    rows: Row[]
    threshold: number
    /** While it is being moved. */
    onMove: (threshold: number) => void
    onSettle: (threshold: number) => void
}

/** How many rows each threshold accepts, how many of them are probably wrong, and the threshold that is chosen. */
export function MatchCurve({ rows, threshold, onMove, onSettle }: Props) {
    const drawn = useMemo(() => curve(rows), [rows])
    const now = expected(rows, threshold)
    const free = rows.filter(isFree)
    const requests = free.reduce((all, row) => all + row.requests, 0)
    const most = Math.max(...drawn.map(each => each.rows))
    const at = (Math.min(Math.max(threshold, 50), 100) - 50) / 50
    const wrong = now.wrong < 0.5 ? 'probably none wrong' : `probably ${Math.round(now.wrong)} wrong`
    const share = requests === 0 ? '' : `, ${Math.round((100 * now.requests) / requests)} % of requests`
    return (
        <div className="flex items-center gap-3">
            <span className="relative block" style={{ width: WIDTH }}>
                <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} width={WIDTH} height={HEIGHT} aria-hidden className="block">
                    <polygon
                        points={`0,${HEIGHT} ${points(
                            drawn.map(each => each.rows),
                            most,
                        )} ${WIDTH},${HEIGHT}`}
                        className="fill-heron-soft"
                    />
                    <polyline
                        points={points(
                            drawn.map(each => each.wrong),
                            most,
                        )}
                        className="fill-none stroke-berry"
                        strokeWidth={1.5}
                    />
                    <line
                        x1={at * WIDTH}
                        x2={at * WIDTH}
                        y1={0}
                        y2={HEIGHT}
                        className="stroke-heron"
                        strokeWidth={1.5}
                    />
                </svg>
                <input
                    type="range"
                    min={50}
                    max={100}
                    value={threshold}
                    aria-label="Accept from, on the curve"
                    aria-valuetext={`${threshold} %: ${count(now.rows, 'row')}, ${wrong}`}
                    onChange={event => onMove(Number(event.target.value))}
                    onPointerUp={() => onSettle(threshold)}
                    onKeyUp={() => onSettle(threshold)}
                    onBlur={() => onSettle(threshold)}
                    className="block w-full accent-heron"
                />
            </span>
            <p role="status" className="text-[13px] text-ink-2">
                {free.length === 0 ? (
                    'Every address of the list is answered.'
                ) : (
                    <>
                        {now.rows.toLocaleString('en-GB')} of {count(free.length, 'row')} accepted{share};{' '}
                        <span className={now.wrong < 0.5 ? '' : 'text-berry'}>{wrong}</span>
                    </>
                )}
            </p>
        </div>
    )
}
