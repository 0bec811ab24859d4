import { DndContext, DragOverlay } from '@dnd-kit/core'
import { defaultRangeExtractor, useVirtualizer } from '@tanstack/react-virtual'
import clsx from 'clsx'
import { useEffect, useRef, useState } from 'react'
import { usePageActs } from '../../app/usePageActs'
import { count } from '../../ui/count'
import { DropLine } from './DropLine'
import { GridRow, type RowHandlers } from './GridRow'
import { lazily } from '../../ui/lazily'
import { ROW, type MakePlace, type Row } from './rows'
import type { RowAct } from './RowMenu'
import { besidePointer, useDrag } from './useDrag'
import { useSteady } from '../../ui/useSteady'
import { useScrollPlace } from './useScrollPlace'
import { useGridKeys } from './useGridKeys'
import type { useMarks } from './useMarks'

const MoveTo = lazily(() => import('./MoveTo').then(module => module.MoveTo))
const PickFor = lazily(() => import('./PickFor').then(module => module.PickFor))

type Props = {
    rows: Row[]
    active: string | undefined
    top: number | undefined
    onTop: (top: number | undefined) => void
    compact: boolean
    canDrag: boolean
    filter: { total: number } | null
    onActive: (row: string) => void
    onOpen: (id: string, open: boolean) => void
    onSheet: (page: string) => void
    onMake: (place: MakePlace) => void
    onMade: (page: string | null) => void
    onWant: (parent: string | null, index: number) => void
    onFilter: () => void
    onCloseSheet: () => void
    marks: ReturnType<typeof useMarks>
    text: string
}

export type Editing = { id: string; what: 'name' | 'slug' } | null

/** The tree grid: virtual rows, one of them active; worked by keys and by dragging. */
export function Grid(props: Props) {
    const { rows, active, compact, filter, onWant } = props
    const scroller = useRef<HTMLDivElement>(null)
    const [editing, setEditing] = useState<Editing>(null)
    const [moving, setMoving] = useState<{ id: string; name: string }[]>([])
    const [picking, setPicking] = useState<{ id: string; name: string }[]>([])
    const { act } = usePageActs()
    const { marks, ids, put, anchor, setAnchor } = props.marks
    // A row that is being written in stays, wherever the others go: what was typed there must not be lost.
    const writing = rows.findIndex(row => row.kind === 'make' || row.key === editing?.id)
    const virtual = useVirtualizer({
        count: rows.length,
        getScrollElement: () => scroller.current,
        estimateSize: () => ROW,
        overscan: 6,
        rangeExtractor: range =>
            writing < 0
                ? defaultRangeExtractor(range)
                : [...new Set([...defaultRangeExtractor(range), writing])].sort((a, b) => a - b),
    })
    const shown = virtual.getVirtualItems()
    const at = rows.findIndex(row => row.key === active)
    const making = rows.findIndex(row => row.kind === 'make')

    useEffect(() => {
        for (const { index } of shown) {
            const row = rows[index]
            if (row?.kind === 'hole') onWant(row.parent, row.index)
        }
    }, [onWant, rows, shown])
    const arriving = useScrollPlace(scroller, props.top, rows.length, props.onTop)
    useEffect(() => {
        if (at >= 0 && !arriving.current) virtual.scrollToIndex(at)
    }, [arriving, at, virtual])
    useEffect(() => {
        if (making >= 0) virtual.scrollToIndex(making)
    }, [making, virtual])

    const back = () => {
        setEditing(null)
        scroller.current?.focus()
    }
    const mark = (how: 'turn' | 'range', index: number) => {
        const row = rows[index]
        if (row?.kind !== 'page') return
        if (how === 'turn') {
            setAnchor(row.key)
            put(marks.has(row.key) ? ids.filter(id => id !== row.key) : [...ids, row.key])
            return
        }
        const from = rows.findIndex(each => each.key === (anchor ?? active))
        if (anchor === null && active !== undefined) setAnchor(active)
        const range = rows
            .slice(Math.min(from, index), Math.max(from, index) + 1)
            .flatMap(each => (each.kind === 'page' ? [each.key] : []))
        put([...new Set([...ids.filter(id => !rows.some(each => each.key === id)), ...range])])
    }
    const named = (pages: string[]) => pages.map(id => ({ id, name: nameIn(rows, id) }))
    /** Keys act on what is marked, or else on the row. */
    const meant = () => (ids.length > 0 ? named(ids) : active === undefined ? [] : named([active]))
    const rowAct = (row: Row, doing: RowAct) => {
        if (row.kind !== 'page') return
        if (doing === 'make-inside') props.onMake({ parent: row.key, after: null })
        else if (doing === 'make-after') props.onMake({ parent: row.page.parent, after: row.key })
        else if (doing === 'pick') setPicking([{ id: row.key, name: row.page.name }])
        else if (doing === 'move') setMoving([{ id: row.key, name: row.page.name }])
        else if (doing === 'name' || doing === 'slug') setEditing({ id: row.key, what: doing })
        else void act(doing, [row.page])
    }
    const keys = useGridKeys({
        ...props,
        at,
        onEdit: setEditing,
        onMoveTo: page => setMoving(named([page])),
        onMark: mark,
        onPageAct: doing => meant().length > 0 && void act(doing, meant(), () => put([])),
        onPick: () => setPicking(meant()),
        onMoveMarked: () => {
            if (ids.length > 0) setMoving(named(ids))
            return ids.length > 0
        },
    })
    const handlers: RowHandlers = {
        mark: (row, how) => mark(how, rows.indexOf(row)),
        active: row => props.onActive(row.key),
        open: (row, open) => props.onOpen(row.key, open),
        sheet: row => props.onSheet(row.key),
        edit: (row, what) => setEditing({ id: row.key, what }),
        edited: back,
        made: page => {
            props.onMade(page)
            scroller.current?.focus()
        },
        act: rowAct,
    }
    const on = useSteady(handlers)
    const drag = useDrag({ rows, scroller, enabled: props.canDrag, marked: ids, onDone: () => put([]) })
    const columns = compact
        ? 'grid-cols-[minmax(150px,1fr)_minmax(150px,1.1fr)_110px] max-lg:grid-cols-[minmax(120px,1fr)_100px]'
        : 'grid-cols-[minmax(250px,1.15fr)_minmax(220px,1.2fr)_124px_126px_52px_58px_74px] max-md:grid-cols-[minmax(160px,1fr)_96px]'
    return (
        <>
            <div
                aria-hidden
                className={clsx(
                    'grid h-[30px] items-center gap-x-3.5 border-b border-line px-4 text-[12px] text-ink-3',
                    columns,
                )}
            >
                <span>Name</span>
                <span className={compact ? 'max-lg:hidden' : 'max-md:hidden'}>Address</span>
                <span>State</span>
                {!compact && (
                    <>
                        <span className="max-md:hidden">Reach</span>
                        <span className="max-md:hidden">Search</span>
                        <span className="max-md:hidden">Picks</span>
                        <span className="text-right max-md:hidden">Changed</span>
                    </>
                )}
            </div>
            <DndContext {...drag.context}>
                <div
                    ref={scroller}
                    role="treegrid"
                    aria-label="Pages"
                    aria-multiselectable
                    aria-rowcount={rows.length}
                    aria-activedescendant={at >= 0 ? `row-${active ?? ''}` : undefined}
                    tabIndex={0}
                    onKeyDown={keys}
                    onFocus={event =>
                        event.target === event.currentTarget &&
                        active === undefined &&
                        rows[0]?.kind === 'page' &&
                        props.onActive(rows[0].key)
                    }
                    className="group/grid relative min-h-0 overflow-y-auto outline-none"
                >
                    <div role="rowgroup" className="relative" style={{ height: virtual.getTotalSize() + ROW }}>
                        {shown.map(({ index, start }) => {
                            const row = rows[index]
                            return row === undefined ? null : (
                                <GridRow
                                    key={row.key}
                                    row={row}
                                    index={index}
                                    top={start}
                                    columns={columns}
                                    compact={compact}
                                    active={index === at}
                                    leaving={drag.moving?.page.id === row.key}
                                    editing={editing?.id === row.key ? editing.what : null}
                                    canDrag={props.canDrag}
                                    text={props.text === '' ? null : props.text}
                                    filtered={filter !== null}
                                    marked={marks.has(row.key)}
                                    on={on}
                                />
                            )
                        })}
                        {drag.target !== null && <DropLine drag={drag} />}
                    </div>
                    {filter !== null &&
                        rows.filter(row => row.kind === 'page' && row.page.match === true).length < filter.total && (
                            <p className="px-4 pb-6 text-[13px] text-ink-3">
                                {count(filter.total, 'page')} match; the first of them are shown. Type more to filter
                                further.
                            </p>
                        )}
                </div>
                <DragOverlay dropAnimation={null} modifiers={[besidePointer]}>
                    {drag.moving !== null && (
                        <span className="inline-block rounded bg-sheet px-2.5 py-1 font-medium shadow-float">
                            {ids.length > 1 && marks.has(drag.moving.key)
                                ? count(ids.length, 'page')
                                : drag.moving.page.name}
                        </span>
                    )}
                </DragOverlay>
            </DndContext>
            {picking.length > 0 && (
                <PickFor
                    pages={picking}
                    onClose={() => {
                        setPicking([])
                        scroller.current?.focus()
                    }}
                    onDone={() => put([])}
                />
            )}
            {moving.length > 0 && (
                <MoveTo
                    pages={moving}
                    onClose={() => {
                        setMoving([])
                        scroller.current?.focus()
                    }}
                    onDone={() => put([])}
                />
            )}
        </>
    )
}

function nameIn(rows: Row[], id: string) {
    const row = rows.find(each => each.key === id)
    return row?.kind === 'page' ? row.page.name : 'a marked page'
}
