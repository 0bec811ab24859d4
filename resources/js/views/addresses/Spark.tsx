/** Hits by day as a small chart, with their sum. */
export function Spark({ hits, word = 'hits' }: { hits: number[]; word?: string }) {
    if (hits.length === 0) return null
    const sum = hits.reduce((all, each) => all + each, 0)
    const top = Math.max(1, ...hits)
    return (
        <span className="flex items-center gap-2" title={`${sum} ${word} in ${hits.length} days`}>
            <svg
                viewBox={`0 0 ${hits.length * 3} 18`}
                width={hits.length * 2}
                height={18}
                aria-hidden
                className="shrink-0 text-heron"
            >
                {hits.map(
                    (each, day) =>
                        each > 0 && (
                            <rect
                                key={day}
                                x={day * 3}
                                width={2}
                                y={18 - Math.max(2, (each / top) * 18)}
                                height={Math.max(2, (each / top) * 18)}
                                fill="currentColor"
                            />
                        ),
                )}
            </svg>
            <span className="tabular-nums">
                {sum.toLocaleString('en-GB')}
                <span className="sr-only">
                    {' '}
                    {word} in {hits.length} days
                </span>
            </span>
        </span>
    )
}
