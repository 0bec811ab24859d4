import { defaultRangeExtractor, useVirtualizer } from '@tanstack/react-virtual'
import { useEffect, useRef, useState, type CSSProperties } from 'react'
import { useAsked } from '../../app/asked'
import { useSite } from '../../app/site'
import { usePageActs } from '../../app/usePageActs'
import { useAtPointer } from '../../ui/AtPointer'
import { count } from '../../ui/count'
import type { Columns } from './columns'
import { columnsOf, GridHead } from './GridHead'
import { GridRow, type RowHandlers } from './GridRow'
import { lazily } from '../../ui/lazily'
import { ROW, type MakePlace, type Row } from './rows'
import type { OutlineDialog } from './OutlineDialogs'
import { markRow } from './useMarks'
import { RowContext } from './RowContext'
import { isRowAct, type RowAct } from './RowMenu'
import { useSteady } from '../../ui/useSteady'
import { useScrollPlace } from './useScrollPlace'
import { useGridKeys } from './useGridKeys'
import type { useMarks } from './useMarks'

const DragRows = lazily(() => import('./DragRows').then(module => module.DragRows))

const OutlineDialogs = lazily(() => import('./OutlineDialogs').then(module => module.OutlineDialogs))

/** What is asked for in the grid and done by the outline around it. */
export type GridAsks = {
    onTop: (top: number | undefined) => void
    onActive: (row: string) => void
    onOpen: (id: string, open: boolean) => void
    onSheet: (page: string) => void
    onWrite: (page: string) => void
    onMake: (place: MakePlace) => void
    onMade: (page: string | null) => void
    onWant: (parent: string | null, index: number) => void
    onFilter: () => void
    onCloseSheet: () => void
    onSort: (by: string | undefined) => void
}
type Props = {
    rows: Row[]
    at: { active: string | undefined; top: number | undefined }
    compact: boolean
    canDrag: boolean
    /** What the rows are filtered by, and how many there are; null for none. */
    filter: { total: number; text: string; sort: string | undefined } | null
    columns: Columns
    marks: ReturnType<typeof useMarks>
    asks: GridAsks
}

export type Editing = { id: string; what: 'name' | 'slug' } | null

/** The tree grid: virtual rows, one of them active; worked by keys and by dragging. */
export function Grid(props: Props) {
    const { rows, compact, filter, columns, asks } = props
    const { active, top } = props.at
    const { onWant } = asks
    const grid = useRef<HTMLDivElement>(null)
    const scroller = useRef<HTMLDivElement>(null)
    const [canvas, setCanvas] = useState<HTMLElement | null>(null)
    const [dragged, setDragged] = useState<string | null>(null)
    const [editing, setEditing] = useState<Editing>(null)
    const [dialog, setDialog] = useState<{ which: OutlineDialog; pages: { id: string; name: string }[] } | null>(null)
    const setMoving = (pages: { id: string; name: string }[]) => setDialog({ which: 'move', pages })
    const { act } = usePageActs()
    const { marks, ids, put } = props.marks
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
    const arriving = useScrollPlace(scroller, top, rows.length, asks.onTop)
    useEffect(() => {
        if (at >= 0 && !arriving.current) virtual.scrollToIndex(at)
    }, [arriving, at, virtual])
    useEffect(() => {
        if (making >= 0) virtual.scrollToIndex(making)
    }, [making, virtual])

    const back = () => {
        setEditing(null)
        grid.current?.focus()
    }
    const mark = (how: 'turn' | 'range', index: number) => markRow({ ...props.marks, rows, active }, how, index)
    const named = (pages: string[]) => pages.map(id => ({ id, name: nameIn(rows, id) }))
    /** Keys act on what is marked, or else on the row. */
    const meant = () => (ids.length > 0 ? named(ids) : active === undefined ? [] : named([active]))
    const rowAct = (row: Row, doing: RowAct) => {
        if (row.kind !== 'page') return
        if (doing === 'make-inside') asks.onMake({ parent: row.key, after: null })
        else if (doing === 'make-after') asks.onMake({ parent: row.page.parent, after: row.key })
        else if (doing === 'write') asks.onWrite(row.key)
        else if (
            doing === 'pick' ||
            doing === 'move' ||
            doing === 'make-from' ||
            doing === 'keep' ||
            doing === 'to-site'
        )
            setDialog({ which: doing, pages: [{ id: row.key, name: row.page.name }] })
        else if (doing === 'name' || doing === 'slug') setEditing({ id: row.key, what: doing })
        else void act(doing, [row.page])
    }
    const keys = useGridKeys({
        ...asks,
        rows,
        compact,
        at,
        onEdit: setEditing,
        onMoveTo: page => setMoving(named([page])),
        onMark: mark,
        onPageAct: doing => meant().length > 0 && void act(doing, meant(), () => put([])),
        onPick: () => meant().length > 0 && setDialog({ which: 'pick', pages: meant() }),
        onMoveMarked: () => {
            if (ids.length > 0) setMoving(named(ids))
            return ids.length > 0
        },
    })
    const { writes } = useSite()
    const context = useAtPointer<Row>()
    const handlers: RowHandlers = {
        mark: (row, how) => mark(how, rows.indexOf(row)),
        active: row => asks.onActive(row.key),
        open: (row, open) => asks.onOpen(row.key, open),
        sheet: row => asks.onSheet(row.key),
        edit: (row, what) => setEditing({ id: row.key, what }),
        edited: back,
        made: page => {
            asks.onMade(page)
            grid.current?.focus()
        },
        act: rowAct,
        menu: (row, event) => writes && context.open(event, row),
    }
    const on = useSteady(handlers)
    useAsked(asked => {
        const row = rows[at]
        if (row?.kind !== 'page' || row.key !== asked.page?.id || !isRowAct(asked.what)) return false
        rowAct(row, asked.what)
        return true
    })
    const taken = shown.flatMap(({ index }) => {
        const row = rows[index]
        return row?.kind === 'page' && row.page.rights?.includes('structure') !== false && editing?.id !== row.key
            ? [row.key]
            : []
    })
    return (
        <>
            <div
                ref={grid}
                role="treegrid"
                aria-label="Pages"
                aria-multiselectable
                aria-rowcount={rows.length + 1}
                aria-activedescendant={at >= 0 ? `row-${active ?? ''}` : undefined}
                tabIndex={0}
                onKeyDown={keys}
                onFocus={event =>
                    event.target === event.currentTarget &&
                    active === undefined &&
                    rows[0]?.kind === 'page' &&
                    asks.onActive(rows[0].key)
                }
                style={{ '--columns': columns.template } as CSSProperties}
                className="group/grid grid min-h-0 flex-1 grid-rows-[30px_minmax(0,1fr)] outline-none"
            >
                <GridHead
                    compact={compact}
                    columns={columns}
                    sort={filter === null ? null : { by: filter.sort, onSort: asks.onSort }}
                />
                <div ref={scroller} data-scroller role="presentation" className="relative min-h-0 overflow-y-auto">
                    <div
                        ref={setCanvas}
                        role="rowgroup"
                        className="relative"
                        style={{ height: virtual.getTotalSize() + ROW }}
                    >
                        {shown.map(({ index, start }) => {
                            const row = rows[index]
                            return row === undefined ? null : (
                                <GridRow
                                    key={row.key}
                                    row={row}
                                    index={index}
                                    top={start}
                                    columns={columnsOf(compact)}
                                    seen={columns.seen}
                                    compact={compact}
                                    active={index === at}
                                    leaving={dragged === row.key}
                                    editing={editing?.id === row.key ? editing.what : null}
                                    text={filter === null || filter.text === '' ? null : filter.text}
                                    filtered={filter !== null}
                                    marked={marks.has(row.key)}
                                    on={on}
                                />
                            )
                        })}
                    </div>
                    {filter !== null &&
                        rows.filter(row => row.kind === 'page' && row.page.match === true).length < filter.total && (
                            <p className="px-4 pb-6 text-[13px] text-ink-3">
                                {count(filter.total, 'page')} match; the first of them are shown. Type more to filter
                                further.
                            </p>
                        )}
                </div>
            </div>
            {props.canDrag && canvas !== null && (
                <DragRows
                    rows={rows}
                    ids={taken}
                    scroller={scroller}
                    canvas={canvas}
                    marked={ids}
                    onDone={() => put([])}
                    onDragged={setDragged}
                />
            )}
            <RowContext at={context.at} onAct={rowAct} onClose={context.close} />
            {dialog !== null && (
                <OutlineDialogs
                    dialog={dialog.which}
                    pages={dialog.pages}
                    onClose={() => {
                        setDialog(null)
                        grid.current?.focus()
                    }}
                    onDone={() => put([])}
                    onMade={page => asks.onMade(page)}
                />
            )}
        </>
    )
}

function nameIn(rows: Row[], id: string) {
    const row = rows.find(each => each.key === id)
    return row?.kind === 'page' ? row.page.name : 'a marked page'
}
