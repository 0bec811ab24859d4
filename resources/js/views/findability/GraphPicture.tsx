import { memo, useMemo, type Ref } from 'react'
import { count } from '../../ui/count'
import { around, bend, isLeft, labelled, radiusOf, type Graph } from './graph'

type Props = {
    graph: Graph
    /** Pixels of the screen for one unit of the drawing. */
    scale: number
    viewBox: string
    chosen: number | null
    label: string
    onChoose: (page: number | null) => void
    ref: Ref<SVGSVGElement>
}

/** Pages on rings by clicks, the ways that lead to them first, and the links of content between them. */
export function GraphPicture({ graph, scale, viewBox, chosen, label, onChoose, ref }: Props) {
    const near = useMemo(() => (chosen === null ? null : around(graph, chosen)), [graph, chosen])
    const lit = near === null ? null : new Set([chosen, ...near.into, ...near.out])
    const names = useMemo(
        () => labelled(graph.pages, scale, chosen === null ? [] : [chosen]),
        [graph.pages, scale, chosen],
    )
    return (
        <svg
            ref={ref}
            role="img"
            aria-label={label}
            viewBox={viewBox}
            className="h-full w-full"
            onClick={event => {
                const page = (event.target as Element).getAttribute('data-page')
                onChoose(page === null ? null : Number(page))
            }}
        >
            <Ground graph={graph} faint={chosen !== null} />
            {near !== null &&
                [...near.into.map(from => [from, chosen] as const), ...near.out.map(to => [chosen, to] as const)].map(
                    ([from, to]) => {
                        const [a, b] = [graph.pages[from ?? 0], graph.pages[to ?? 0]]
                        return a === undefined || b === undefined ? null : (
                            <path
                                key={`${from} ${to}`}
                                d={bend(a, b)}
                                fill="none"
                                stroke={to === chosen ? 'var(--heron)' : 'var(--reed)'}
                                strokeDasharray={to === chosen ? undefined : `${5 / scale}`}
                                strokeWidth={1.6 / scale}
                            />
                        )
                    },
                )}
            {graph.pages.map((page, n) => (
                <circle
                    key={page.id}
                    data-page={n}
                    cx={page.x}
                    cy={page.y}
                    r={radiusOf(page) + (n === chosen ? 2 : 0)}
                    fill={page.clicks === null ? 'var(--berry)' : page.clicks > 4 ? 'var(--amber)' : 'var(--heron)'}
                    opacity={lit === null || lit.has(n) ? 1 : 0.25}
                    className="cursor-pointer"
                >
                    <title>{`${page.name}, ${page.clicks === null ? 'nothing leads to it' : count(page.clicks, 'click')}`}</title>
                </circle>
            ))}
            {names.map(n => {
                const page = graph.pages[n]
                return page === undefined ? null : (
                    <text
                        key={page.id}
                        data-page={n}
                        x={page.x + (isLeft(page) ? -1 : 1) * (radiusOf(page) + 3 / scale)}
                        textAnchor={isLeft(page) ? 'end' : 'start'}
                        y={page.y + 4 / scale}
                        fontSize={12 / scale}
                        fontWeight={n === chosen || page.clicks === 0 ? 700 : 400}
                        fill="var(--ink)"
                        opacity={lit === null || lit.has(n) ? 1 : 0.35}
                        stroke="var(--paper)"
                        strokeWidth={3 / scale}
                        paintOrder="stroke"
                        className="cursor-pointer"
                    >
                        {page.name.length > 28 ? `${page.name.slice(0, 27)}…` : page.name}
                    </text>
                )
            })}
            {graph.rings.map((radius, n) => (
                <text
                    key={radius}
                    y={-radius - 6 / scale}
                    textAnchor="middle"
                    fontSize={11 / scale}
                    fill="var(--ink-3)"
                    stroke="var(--paper)"
                    strokeWidth={3 / scale}
                    paintOrder="stroke"
                >
                    {n === graph.rings.length - 1 && graph.pages.some(page => page.clicks === null)
                        ? 'nothing leads to them'
                        : count(n + 1, 'click')}
                </text>
            ))}
        </svg>
    )
}

/** What does not change while one looks around: drawn once, however often the view moves. */
const Ground = memo(function Ground({ graph, faint }: { graph: Graph; faint: boolean }) {
    const path = (pairs: number[][], draw: typeof bend) =>
        pairs
            .map(([from, to]) => {
                const [a, b] = [graph.pages[from ?? -1], graph.pages[to ?? -1]]
                return a === undefined || b === undefined ? '' : draw(a, b)
            })
            .join('')
    return (
        <g fill="none" opacity={faint ? 0.4 : 1}>
            {graph.rings.map(radius => (
                <circle
                    key={radius}
                    r={radius}
                    stroke="var(--line)"
                    strokeWidth={1}
                    vectorEffect="non-scaling-stroke"
                />
            ))}
            <path
                d={path(graph.links, bend)}
                stroke="var(--heron)"
                strokeWidth={1}
                opacity={0.22}
                vectorEffect="non-scaling-stroke"
            />
            <path
                d={path(graph.ways, (a, b) => `M${a.x} ${a.y}L${b.x} ${b.y}`)}
                stroke="var(--ink-3)"
                strokeWidth={1}
                opacity={0.6}
                vectorEffect="non-scaling-stroke"
            />
        </g>
    )
})
