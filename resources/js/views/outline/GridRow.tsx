import { useDraggable } from '@dnd-kit/core'
import clsx from 'clsx'
import { memo } from 'react'
import { Pin } from 'lucide-react'
import { Address } from '../../ui/Address'
import { StateChip } from '../../ui/StateChip'
import { ago } from '../../ui/time'
import { Hint } from '../../ui/Hint'
import { MakeField, SlugField } from './lazyFields'
import { NameCell } from './NameCell'
import { Picks } from './Picks'
import { Stems } from './Stems'
import { Reeds } from './Reeds'
import type { RowAct } from './RowMenu'
import type { Row } from './rows'

type Props = {
    row: Row
    index: number
    top: number
    columns: string
    compact: boolean
    active: boolean
    leaving: boolean
    editing: 'name' | 'slug' | null
    canDrag: boolean
    text: string | null
    filtered: boolean
    marked: boolean
    on: RowHandlers
}

/** What rows tell the grid. Always the same object, so that scrolling draws only the rows that come. */
export type RowHandlers = {
    mark: (row: Row, how: 'turn' | 'range') => void
    active: (row: Row) => void
    open: (row: Row, open: boolean) => void
    sheet: (row: Row) => void
    edit: (row: Row, what: 'name' | 'slug') => void
    edited: () => void
    made: (page: string | null) => void
    act: (row: Row, act: RowAct) => void
}

export const GridRow = memo(function GridRow(props: Props) {
    const { row, index, top, columns, active, leaving, on } = props
    const { setNodeRef, listeners } = useDraggable({
        id: row.key,
        disabled:
            !props.canDrag ||
            row.kind !== 'page' ||
            row.page.rights?.includes('structure') === false ||
            props.editing !== null,
    })
    return (
        <div
            ref={setNodeRef}
            {...listeners}
            id={`row-${row.key}`}
            role="row"
            aria-level={row.level}
            aria-posinset={row.position}
            aria-setsize={row.siblings}
            aria-rowindex={index + 2}
            aria-selected={row.kind === 'page' ? props.marked || active : undefined}
            aria-expanded={row.kind === 'page' && row.page.children > 0 ? row.open : undefined}
            onClick={event => {
                if (row.kind !== 'page') return
                if (event.shiftKey) on.mark(row, 'range')
                else if (event.ctrlKey || event.metaKey) on.mark(row, 'turn')
                on.active(row)
            }}
            style={{ transform: `translateY(${top}px)` }}
            className={clsx(
                'group/row absolute inset-x-0 grid h-8 items-center gap-x-3.5 px-4 hover:bg-sunk',
                columns,
                leaving && 'opacity-45',
                props.marked && 'bg-heron-soft',
                active &&
                    'bg-heron-soft! shadow-[inset_3px_0_var(--heron)] group-focus-visible/grid:outline-2 group-focus-visible/grid:-outline-offset-2 group-focus-visible/grid:outline-heron',
                row.kind === 'make' && 'bg-heron-soft',
                (row.kind === 'make' || props.editing !== null) && 'z-10',
            )}
        >
            {row.kind === 'page' ? (
                <PageCells {...props} row={row} />
            ) : row.kind === 'make' ? (
                <MakeCells row={row} onMade={on.made} />
            ) : (
                <HoleCells row={row} />
            )}
        </div>
    )
})

function PageCells({
    row,
    compact,
    active,
    editing,
    text,
    filtered,
    marked,
    on,
}: Props & { row: Row & { kind: 'page' } }) {
    const { page } = row
    const hidesWhenSmall = compact ? 'max-lg:hidden' : 'max-md:hidden'
    return (
        <>
            <NameCell
                row={row}
                active={active}
                isEditing={editing === 'name'}
                text={text}
                filtered={filtered}
                marked={marked}
                on={on}
            />
            <div
                role="gridcell"
                className={clsx('min-w-0', hidesWhenSmall, editing !== 'slug' && 'truncate')}
                onDoubleClick={() => on.edit(row, 'slug')}
            >
                {editing === 'slug' ? <SlugField page={page} onDone={on.edited} /> : <Address address={page.address} />}
                {page.pinned && editing !== 'slug' && (
                    <Hint description="Pinned: it follows neither name nor parent">
                        <Pin size={12} aria-label="pinned" className="ml-1.5 inline align-[-1px] text-ink-3" />
                    </Hint>
                )}
            </div>
            <div role="gridcell">
                <StateChip
                    state={page.state}
                    edited={page.edited}
                    listed={page.listed}
                    from={page.from}
                    until={page.until}
                />
            </div>
            {!compact && (
                <>
                    <div role="gridcell" className={clsx('truncate text-[13px] text-ink-2', hidesWhenSmall)}>
                        {reach(page)}
                    </div>
                    <div role="gridcell" className={hidesWhenSmall}>
                        {page.kind === 'page' && <Reeds page={page} />}
                    </div>
                    <div role="gridcell" className={hidesWhenSmall}>
                        <Picks page={page} onPick={() => on.act(row, 'pick')} />
                    </div>
                    <div role="gridcell" className={clsx('truncate text-right text-[13px] text-ink-3', hidesWhenSmall)}>
                        {ago(page.changed)}
                    </div>
                </>
            )}
        </>
    )
}

function reach({
    state,
    clicks,
    linksIn,
    reachDue,
}: {
    state: string
    clicks: number | null
    linksIn: number
    reachDue: boolean
}) {
    if (state !== 'live') return 'not yet'
    if (reachDue) return 'working it out…'
    return `${clicks === null ? 'not linked' : `${clicks} ${clicks === 1 ? 'click' : 'clicks'}`} · ${linksIn} ${linksIn === 1 ? 'link' : 'links'}`
}

function MakeCells({ row, onMade }: { row: Row & { kind: 'make' }; onMade: (page: string | null) => void }) {
    return (
        <div role="gridcell" className="col-span-full flex h-8 items-center">
            <Stems row={row} />
            <span className="w-[18px] flex-none" />
            <MakeField place={row.place} onDone={onMade} />
        </div>
    )
}

function HoleCells({ row }: { row: Row }) {
    return (
        <div role="gridcell" className="col-span-full flex h-8 items-center" aria-label="being read">
            <Stems row={row} />
            <span className="ml-[18px] h-3 w-40 rounded bg-sunk" />
        </div>
    )
}
