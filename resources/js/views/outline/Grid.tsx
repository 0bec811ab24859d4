import { DndContext, DragOverlay } from '@dnd-kit/core'
import { useVirtualizer } from '@tanstack/react-virtual'
import clsx from 'clsx'
import { useEffect, useRef, useState } from 'react'
import { count } from '../../ui/count'
import { DropLine } from './DropLine'
import { GridRow } from './GridRow'
import { MoveTo } from './MoveTo'
import { ROW, type MakePlace, type Row } from './rows'
import type { RowAct } from './RowMenu'
import { besidePointer, useDrag } from './useDrag'
import { useGridKeys } from './useGridKeys'

type Props = {
    rows: Row[]
    active: string | undefined
    narrow: boolean
    canDrag: boolean
    filter: { text: string; total: number } | null
    onActive: (row: string) => void
    onOpen: (id: string, open: boolean) => void
    onSheet: (page: string) => void
    onMake: (place: MakePlace) => void
    onMade: (page: string | null) => void
    onWant: (parent: string | null, index: number) => void
    onFilter: () => void
    onCloseSheet: () => void
}

export type Editing = { id: string; what: 'name' | 'slug' } | null

/** The tree grid: virtual rows, one of them active; worked by keys and by dragging. */
export function Grid(props: Props) {
    const { rows, active, narrow, filter, onWant } = props
    const scroller = useRef<HTMLDivElement>(null)
    const [editing, setEditing] = useState<Editing>(null)
    const [moving, setMoving] = useState<string | null>(null)
    const virtual = useVirtualizer({ count: rows.length, getScrollElement: () => scroller.current, estimateSize: () => ROW, overscan: 12 })
    const shown = virtual.getVirtualItems()
    const at = rows.findIndex(row => row.key === active)
    const making = rows.findIndex(row => row.kind === 'make')

    useEffect(() => {
        for (const { index } of shown) {
            const row = rows[index]
            if (row?.kind === 'hole') onWant(row.parent, row.index)
        }
    }, [onWant, rows, shown])
    useEffect(() => {
        if (at >= 0) virtual.scrollToIndex(at)
    }, [at, virtual])
    useEffect(() => {
        if (making >= 0) virtual.scrollToIndex(making)
    }, [making, virtual])

    const back = () => {
        setEditing(null)
        scroller.current?.focus()
    }
    const rowAct = (row: Row, act: RowAct) => {
        if (row.kind !== 'page') return
        if (act === 'make-inside') props.onMake({ parent: row.key, after: null })
        else if (act === 'make-after') props.onMake({ parent: row.page.parent, after: row.key })
        else if (act === 'move') setMoving(row.key)
        else setEditing({ id: row.key, what: act })
    }
    const keys = useGridKeys({ ...props, at, onEdit: setEditing, onMoveTo: setMoving })
    const drag = useDrag({ rows, scroller, enabled: props.canDrag })
    const columns = narrow ? 'grid-cols-[minmax(150px,1fr)_minmax(150px,1.1fr)_110px] max-lg:grid-cols-[minmax(120px,1fr)_100px]' : 'grid-cols-[minmax(250px,1.15fr)_minmax(220px,1.2fr)_124px_130px_60px_74px] max-md:grid-cols-[minmax(160px,1fr)_96px]'
    return (
        <>
            <div aria-hidden className={clsx('grid h-[30px] items-center gap-x-3.5 border-b border-line px-4 text-[12px] text-ink-3', columns)}>
                <span>Name</span>
                <span className={narrow ? 'max-lg:hidden' : 'max-md:hidden'}>Address</span>
                <span>State</span>
                {!narrow && <><span className="max-md:hidden">Reach</span><span className="max-md:hidden">Search</span><span className="text-right max-md:hidden">Changed</span></>}
            </div>
            <DndContext {...drag.context}>
                <div
                    ref={scroller}
                    role="treegrid"
                    aria-label="Pages"
                    aria-rowcount={rows.length}
                    aria-activedescendant={at >= 0 ? `row-${active ?? ''}` : undefined}
                    tabIndex={0}
                    onKeyDown={keys}
                    onFocus={event => event.target === event.currentTarget && at < 0 && rows[0]?.kind === 'page' && props.onActive(rows[0].key)}
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
                                    narrow={narrow}
                                    active={index === at}
                                    leaving={drag.moving?.page.id === row.key}
                                    editing={editing?.id === row.key ? editing.what : null}
                                    canDrag={props.canDrag}
                                    text={filter?.text ?? null}
                                    onActive={() => props.onActive(row.key)}
                                    onOpen={open => props.onOpen(row.key, open)}
                                    onSheet={() => props.onSheet(row.key)}
                                    onEdit={what => setEditing({ id: row.key, what })}
                                    onEdited={back}
                                    onAct={act => rowAct(row, act)}
                                    onMade={page => {
                                        props.onMade(page)
                                        scroller.current?.focus()
                                    }}
                                />
                            )
                        })}
                        {drag.target !== null && <DropLine drag={drag} />}
                    </div>
                    {filter !== null && rows.filter(row => row.kind === 'page' && row.page.match === true).length < filter.total && (
                        <p className="px-4 pb-6 text-[13px] text-ink-3">{count(filter.total, 'page')} match; the first of them are shown. Type more to narrow it down.</p>
                    )}
                </div>
                <DragOverlay dropAnimation={null} modifiers={[besidePointer]}>{drag.moving !== null && <span className="inline-block rounded bg-sheet px-2.5 py-1 font-medium shadow-float">{drag.moving.page.name}</span>}</DragOverlay>
            </DndContext>
            <MoveTo row={rows.find(row => row.key === moving)} onClose={() => { setMoving(null); scroller.current?.focus() }} />
        </>
    )
}
