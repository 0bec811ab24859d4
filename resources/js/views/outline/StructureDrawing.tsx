import { useQuery } from '@tanstack/react-query'
import clsx from 'clsx'
import { Minus, Plus } from 'lucide-react'
import { useMemo, useRef, useState, type KeyboardEvent } from 'react'
import { answered, api } from '../../api/client'
import { keys } from '../../api/queries'
import { useSite } from '../../app/site'
import { Button } from '../../ui/Button'
import { count } from '../../ui/count'
import { download } from '../../ui/download'
import { stateWords } from '../../ui/StateChip'
import { ago } from '../../ui/time'
import { label, layOut, legends, stem, tintOf, type Drawn, type Tint } from './drawing'
import { asPng, asSvg } from '../../ui/drawingFiles'
import { Alert } from '../../ui/Alert'

const ZOOMS = [0.35, 0.5, 0.7, 1, 1.4, 2]

/** A picture of the structure, for people who would rather look than read. Each page leads to its row. */
export function StructureDrawing({
    active,
    onRow,
}: {
    active: string | undefined
    onRow: (row: string, within: string[]) => void
}) {
    const site = useSite()
    const [of, setOf] = useState<{ id: string; name: string } | null>(null)
    const [levels, setLevels] = useState(3)
    const [tint, setTint] = useState<Tint>('state')
    const [zoom, setZoom] = useState(3)
    const [focus, setFocus] = useState<string | null>(active ?? null)
    const picture = useRef<SVGSVGElement>(null)
    const { data, error } = useQuery({
        queryKey: keys.structure(site.key, of?.id ?? null, levels),
        queryFn: () =>
            answered(
                api.GET('/sites/{site}/structure', {
                    params: { path: { site: site.key }, query: { levels, ...(of === null ? {} : { of: of.id }) } },
                }),
            ),
    })
    const { drawn, width, height } = useMemo(() => layOut(data ?? []), [data])
    const scale = ZOOMS[zoom] ?? 1
    const at = drawn.find(each => each.node.id === focus) ?? drawn[0]

    const keys_ = (event: KeyboardEvent) => {
        if (at === undefined) return
        const near = step(event.key, at, drawn)
        if (near !== null) {
            setFocus(near.node.id)
            picture.current
                ?.querySelector(`[data-page="${near.node.id}"]`)
                ?.scrollIntoView({ block: 'nearest', inline: 'nearest' })
        } else if (event.key === 'Enter') onRow(at.node.id, at.within)
        else if (event.key === 'o' && at.node.size > 1) setOf({ id: at.node.id, name: at.node.name })
        else if (event.key === '+' || event.key === '=') setZoom(Math.min(ZOOMS.length - 1, zoom + 1))
        else if (event.key === '-') setZoom(Math.max(0, zoom - 1))
        else return
        event.preventDefault()
    }
    return (
        <section aria-label="Drawing of the structure" className="grid min-h-0 grid-rows-[auto_minmax(0,1fr)]">
            <div className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-line px-4 pb-2 text-[13px]">
                {of !== null && (
                    <Button variant="quiet" onClick={() => setOf(null)}>
                        Whole site
                    </Button>
                )}
                {of !== null && <span className="font-semibold">{of.name}</span>}
                <label className="flex items-center gap-1.5">
                    Levels{' '}
                    <select
                        value={levels}
                        onChange={event => setLevels(Number(event.target.value))}
                        className="h-7 rounded border border-edge bg-sheet px-1"
                    >
                        {[1, 2, 3, 4, 5, 6].map(n => (
                            <option key={n}>{n}</option>
                        ))}
                    </select>
                </label>
                <label className="flex items-center gap-1.5">
                    Tint by{' '}
                    <select
                        value={tint}
                        onChange={event => setTint(event.target.value as Tint)}
                        className="h-7 rounded border border-edge bg-sheet px-1"
                    >
                        <option value="state">state</option>
                        <option value="changed">last change</option>
                    </select>
                </label>
                <span className="flex gap-3">
                    {legends[tint].map(([colour, word]) => (
                        <span key={word} className="flex items-center gap-1.5 text-ink-2">
                            <i className="size-2.5 rounded-full" style={{ background: colour }} />
                            {word}
                        </span>
                    ))}
                </span>
                <span className="ml-auto flex items-center gap-1">
                    <button
                        type="button"
                        aria-label="Smaller"
                        disabled={zoom === 0}
                        onClick={() => setZoom(zoom - 1)}
                        className="grid size-7 place-items-center rounded hover:bg-sunk"
                    >
                        <Minus size={15} aria-hidden />
                    </button>
                    <span className="w-11 text-center">{Math.round(scale * 100)} %</span>
                    <button
                        type="button"
                        aria-label="Larger"
                        disabled={zoom === ZOOMS.length - 1}
                        onClick={() => setZoom(zoom + 1)}
                        className="grid size-7 place-items-center rounded hover:bg-sunk"
                    >
                        <Plus size={15} aria-hidden />
                    </button>
                    <Button
                        variant="quiet"
                        onClick={() =>
                            picture.current !== null &&
                            download(asSvg(picture.current, width, height), `${site.key}-structure.svg`)
                        }
                    >
                        SVG
                    </Button>
                    <Button
                        variant="quiet"
                        onClick={() =>
                            picture.current !== null &&
                            void asPng(picture.current, width, height).then(file =>
                                download(file, `${site.key}-structure.png`),
                            )
                        }
                    >
                        PNG
                    </Button>
                </span>
            </div>
            {error !== null ? (
                <Alert className="p-4">{error.message}</Alert>
            ) : (
                <div
                    className="min-h-0 overflow-auto"
                    tabIndex={0}
                    role="tree"
                    aria-label="Pages of the structure"
                    aria-activedescendant={at === undefined ? undefined : `drawn-${at.node.id}`}
                    onKeyDown={keys_}
                >
                    <svg
                        ref={picture}
                        width={width * scale}
                        height={height * scale}
                        viewBox={`0 0 ${width} ${height}`}
                        className="block"
                        fontFamily="'Atkinson Hyperlegible Next Variable', sans-serif"
                        fontSize="13"
                    >
                        <g fill="none" stroke="var(--line-strong)" strokeOpacity="0.5" strokeLinecap="round">
                            {drawn.map(
                                each =>
                                    each.parent !== null && (
                                        <path key={each.node.id} d={stem(each.parent, each)} strokeWidth={each.thick} />
                                    ),
                            )}
                        </g>
                        {drawn.map(each => (
                            <Mark
                                key={each.node.id}
                                drawn={each}
                                tint={tint}
                                isAt={each === at}
                                onOpen={() => onRow(each.node.id, each.within)}
                                onLook={() => setOf({ id: each.node.id, name: each.node.name })}
                            />
                        ))}
                    </svg>
                </div>
            )}
        </section>
    )
}

function Mark({
    drawn: { node, x, y, thick },
    tint,
    isAt,
    onOpen,
    onLook,
}: {
    drawn: Drawn
    tint: Tint
    isAt: boolean
    onOpen: () => void
    onLook: () => void
}) {
    const radius = 3.5 + thick / 2
    const written = `${label(node)}${node.size > 1 ? ` ${node.size.toLocaleString('en-GB')}` : ''}`
    const says = `${written}${label(node) === node.name ? '' : `, ${node.name}`}, ${stateWords(node.state, null, null)}, ${count(node.size, 'page')} in its branch, changed ${ago(node.changed)}`
    return (
        <g
            id={`drawn-${node.id}`}
            data-page={node.id}
            role="treeitem"
            aria-level={node.level + 1}
            aria-selected={isAt}
            aria-label={says}
            onClick={event => (event.altKey ? onLook() : onOpen())}
            className="cursor-pointer"
        >
            <title>{`${says}. Click for its row, Alt and click to look at this branch.`}</title>
            {isAt && <circle cx={x} cy={y} r={radius + 4} fill="none" stroke="var(--heron)" strokeWidth="2" />}
            <circle
                cx={x}
                cy={y}
                r={radius}
                fill={tintOf(node, tint)}
                stroke={node.kind === 'page' ? 'none' : 'var(--ink)'}
                strokeWidth="1.5"
            />
            <text
                x={x + radius + 5}
                y={y + 4.5}
                fill="var(--ink)"
                className={clsx(isAt && 'font-bold')}
                stroke="var(--paper)"
                strokeWidth="3"
                paintOrder="stroke"
            >
                {label(node)}
                {node.size > 1 && <tspan fill="var(--ink-3)"> {node.size.toLocaleString('en-GB')}</tspan>}
            </text>
        </g>
    )
}

/** Where an arrow leads: in and out along the stems, up and down in the column. */
function step(key: string, at: Drawn, drawn: Drawn[]): Drawn | null {
    if (key === 'ArrowLeft') return at.parent
    if (key === 'ArrowRight') return drawn.find(each => each.parent === at) ?? null
    if (key !== 'ArrowDown' && key !== 'ArrowUp') return null
    const column = drawn.filter(each => each.x === at.x).sort((a, b) => a.y - b.y)
    return column[column.indexOf(at) + (key === 'ArrowDown' ? 1 : -1)] ?? null
}
