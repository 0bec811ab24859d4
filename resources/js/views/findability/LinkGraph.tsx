import { useQuery } from '@tanstack/react-query'
import { Minus, Plus } from 'lucide-react'
import { useLayoutEffect, useRef, useState, type PointerEvent } from 'react'
import { useSite } from '../../app/site'
import { Alert } from '../../ui/Alert'
import { Button } from '../../ui/Button'
import { count } from '../../ui/count'
import { download } from '../../ui/download'
import { asPng, asSvg } from '../../ui/drawingFiles'
import { IconButton } from '../../ui/IconButton'
import { ReadFailure } from '../../ui/ReadFailure'
import { reach } from './graph'
import { GraphBeside } from './GraphBeside'
import { GraphPicture } from './GraphPicture'
import { linkGraphQuery } from './queries'
import type { OpenPage } from './search'

const STEP = 1.4

/** The links of the site drawn around its start page: moved by dragging, larger and smaller by wheel, keys and buttons. */
export function LinkGraph({ onPage, onLists }: { onPage: OpenPage; onLists: () => void }) {
    const site = useSite()
    const graph = useQuery(linkGraphQuery(site.key))
    const frame = useRef<HTMLDivElement>(null)
    const picture = useRef<SVGSVGElement>(null)
    const [size, setSize] = useState({ width: 800, height: 600 })
    const [view, setView] = useState<{ x: number; y: number; zoom: number }>({ x: 0, y: 0, zoom: 1 })
    const [chosen, choose] = useState<number | null>(null)
    const [problem, setProblem] = useState('')
    const held = useRef<{ x: number; y: number; moved: boolean } | null>(null)
    useLayoutEffect(() => {
        const element = frame.current
        if (element === null) return
        const watch = new ResizeObserver(() => setSize({ width: element.clientWidth, height: element.clientHeight }))
        watch.observe(element)
        return () => watch.disconnect()
    }, [])
    const { data } = graph
    const half = data === undefined ? 300 : reach(data)
    const scale = (Math.min(size.width, size.height) / (2 * half)) * view.zoom
    const [width, height] = [size.width / scale, size.height / scale]
    const zoom = (by: number) => setView(was => ({ ...was, zoom: Math.min(30, Math.max(1, was.zoom * by)) }))
    const move = (x: number, y: number) =>
        setView(was => ({ ...was, x: clamp(was.x + x, half), y: clamp(was.y + y, half) }))
    const drag = (event: PointerEvent) => {
        if (held.current === null) return
        const { x, y } = held.current
        if (Math.hypot(event.clientX - x, event.clientY - y) > 3 || held.current.moved) {
            move((x - event.clientX) / scale, (y - event.clientY) / scale)
            held.current = { x: event.clientX, y: event.clientY, moved: true }
        }
    }
    const save = async (as: 'svg' | 'png') => {
        setProblem('')
        if (picture.current === null) return
        // Whatever part is looked at: the file holds the whole drawing.
        const whole = picture.current.cloneNode(true) as SVGSVGElement
        whole.setAttribute('viewBox', `${-half} ${-half} ${2 * half} ${2 * half}`)
        const side = Math.min(8000, Math.ceil(half * 2))
        try {
            const file = as === 'svg' ? asSvg(whole, side, side) : await asPng(whole, side, side)
            download(file, `${site.key}-links.${as}`)
        } catch (failed) {
            setProblem(failed instanceof Error ? failed.message : 'The picture could not be drawn.')
        }
    }
    return (
        <section aria-label="Drawing of the links" className="grid min-h-0 flex-1 grid-rows-[auto_minmax(0,1fr)]">
            <div className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-line px-4 py-2 text-[13px]">
                <Button variant="quiet" onClick={onLists}>
                    Back to the lists
                </Button>
                <Legend />
                {data !== undefined && (
                    <span className="text-ink-2">
                        {count(data.pages.length, 'page')}
                        {data.total > data.pages.length &&
                            `, the nearest of ${data.total.toLocaleString('en-GB')} to the start page`}
                    </span>
                )}
                <span className="ml-auto flex items-center gap-1">
                    <IconButton aria-label="Smaller" onClick={() => zoom(1 / STEP)}>
                        <Minus size={15} aria-hidden />
                    </IconButton>
                    <IconButton aria-label="Larger" onClick={() => zoom(STEP)}>
                        <Plus size={15} aria-hidden />
                    </IconButton>
                    <Button variant="quiet" onClick={() => setView({ x: 0, y: 0, zoom: 1 })}>
                        Whole site
                    </Button>
                    <Button variant="quiet" onClick={() => void save('svg')}>
                        SVG
                    </Button>
                    <Button variant="quiet" onClick={() => void save('png')}>
                        PNG
                    </Button>
                </span>
                <ReadFailure of={graph} />
                {problem !== '' && <Alert>{problem}</Alert>}
            </div>
            <div className="grid min-h-0 grid-cols-[minmax(0,1fr)_300px]">
                <div
                    ref={frame}
                    className="min-h-0 touch-none overflow-hidden bg-paper"
                    onWheel={event => zoom(event.deltaY < 0 ? 1.15 : 1 / 1.15)}
                    onPointerDown={event => (held.current = { x: event.clientX, y: event.clientY, moved: false })}
                    onPointerMove={drag}
                    onPointerLeave={() => (held.current = null)}
                >
                    {data !== undefined && (
                        <GraphPicture
                            ref={picture}
                            graph={data}
                            scale={scale}
                            viewBox={`${view.x - width / 2} ${view.y - height / 2} ${width} ${height}`}
                            chosen={chosen}
                            label={`Links between ${count(data.pages.length, 'page')}`}
                            onChoose={page => {
                                // The end of a drag is no click.
                                if (held.current?.moved !== true) choose(page)
                                held.current = null
                            }}
                        />
                    )}
                </div>
                {data !== undefined && (
                    <GraphBeside
                        graph={data}
                        chosen={chosen}
                        onPage={onPage}
                        onChoose={page => {
                            choose(page)
                            const at = page === null ? undefined : data.pages[page]
                            if (at !== undefined) setView(was => ({ ...was, x: at.x, y: at.y }))
                        }}
                    />
                )}
            </div>
        </section>
    )
}

const clamp = (value: number, half: number) => Math.max(-half, Math.min(half, value))

function Legend() {
    return (
        <span className="flex flex-wrap gap-3 text-ink-2">
            {(
                [
                    ['bg-heron', 'up to 4 clicks'],
                    ['bg-amber', 'more than 4'],
                    ['bg-berry', 'nothing leads to it'],
                ] as const
            ).map(([colour, word]) => (
                <span key={word} className="flex items-center gap-1.5">
                    <i className={`size-2.5 rounded-full ${colour}`} />
                    {word}
                </span>
            ))}
        </span>
    )
}
