import clsx from 'clsx'
import { memo, type MouseEvent } from 'react'
import type { Columns } from './columns'
import { MakeField } from './lazyFields'
import { NameCell } from './NameCell'
import { PageCell } from './PageCell'
import { Stems } from './Stems'
import type { RowAct } from './RowMenu'
import type { Row } from './rows'

type Props = {
    row: Row
    index: number
    top: number
    columns: string
    seen: Columns['seen']
    compact: boolean
    active: boolean
    leaving: boolean
    editing: 'name' | 'slug' | null
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
    menu: (row: Row, event: MouseEvent) => void
}

export const GridRow = memo(function GridRow(props: Props) {
    const { row, index, top, columns, active, leaving, on } = props
    return (
        <div
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
            onContextMenu={event => {
                if (row.kind !== 'page' || props.editing !== null) return
                on.active(row)
                on.menu(row, event)
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
    seen,
    compact,
    active,
    editing,
    text,
    filtered,
    marked,
    on,
}: Props & { row: Row & { kind: 'page' } }) {
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
            {seen.map(({ key }) => (
                <PageCell
                    key={key}
                    column={key}
                    row={row}
                    editing={editing}
                    on={on}
                    className={key === 'state' ? '' : hidesWhenSmall}
                />
            ))}
        </>
    )
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
