import { useDraggable } from '@dnd-kit/core'
import clsx from 'clsx'
import { memo } from 'react'
import { BookmarkCheck, Check, ChevronDown, ChevronRight, Pin } from 'lucide-react'
import { Address } from '../../ui/Address'
import { count } from '../../ui/count'
import { StateChip } from '../../ui/StateChip'
import { ago } from '../../ui/time'
import { Hint } from '../../ui/Hint'
import { KindSign } from './KindSign'
import { lazily } from '../../ui/lazily'
import { Marked } from './Marked'
import { Reeds } from './Reeds'
import { RowMenu, type RowAct } from './RowMenu'
import type { Row } from './rows'

// What is typed into rows is fetched right after they stand: it is there before anybody can ask for it.
const inlineFields = () => import('./InlineFields')
const MakeField = lazily(() => inlineFields().then(module => module.MakeField))
const NameField = lazily(() => inlineFields().then(module => module.NameField))
const SlugField = lazily(() => inlineFields().then(module => module.SlugField))
setTimeout(() => void inlineFields().catch(() => undefined))

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
        disabled: !props.canDrag || row.kind !== 'page' || props.editing !== null,
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
            aria-rowindex={index + 1}
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

function Stems({ row }: { row: Row }) {
    if (row.level === 1 && row.kind === 'page' && row.page.start) return null
    return (
        <>
            {row.through.map((through, i) => (
                <span key={i} aria-hidden className={clsx('stem', through && 'through')} />
            ))}
            <span aria-hidden className={clsx('stem joint', row.last && 'end')} />
        </>
    )
}

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
    const isParent = page.children > 0
    const Fold = row.open ? ChevronDown : ChevronRight
    const faint = filtered && page.match !== true
    const hidesWhenSmall = compact ? 'max-lg:hidden' : 'max-md:hidden'
    return (
        <>
            <div role="gridcell" className="flex h-8 min-w-0 items-center" onDoubleClick={() => on.edit(row, 'name')}>
                <button
                    type="button"
                    tabIndex={-1}
                    aria-label={`${marked ? 'Unmark' : 'Mark'} ${page.name}`}
                    onClick={event => {
                        event.stopPropagation()
                        on.mark(row, event.shiftKey ? 'range' : 'turn')
                    }}
                    onDoubleClick={event => event.stopPropagation()}
                    className={clsx(
                        'absolute left-[3px] grid size-4 place-items-center rounded-[4px] border',
                        marked
                            ? 'border-heron bg-heron text-on-heron'
                            : 'border-edge bg-sheet text-transparent opacity-0 group-hover/row:opacity-100',
                    )}
                >
                    <Check size={11} strokeWidth={3.4} aria-hidden />
                </button>
                <Stems row={row} />
                <button
                    type="button"
                    tabIndex={-1}
                    aria-hidden={!isParent}
                    aria-label={`${row.open ? 'Close' : 'Open'} ${page.name}`}
                    onClick={event => {
                        event.stopPropagation()
                        on.open(row, !row.open)
                    }}
                    onDoubleClick={event => event.stopPropagation()}
                    className={clsx(
                        'grid h-8 w-[18px] flex-none place-items-center text-ink-3 hover:text-ink',
                        !isParent && 'invisible',
                    )}
                >
                    <Fold size={13} strokeWidth={2.4} aria-hidden />
                </button>
                {editing === 'name' ? (
                    <NameField page={page} onDone={on.edited} />
                ) : (
                    <>
                        <button
                            type="button"
                            tabIndex={-1}
                            onClick={event => event.shiftKey || event.ctrlKey || event.metaKey || on.sheet(row)}
                            className={clsx(
                                'truncate text-left hover:underline hover:underline-offset-2',
                                faint ? 'text-ink-3' : 'font-medium',
                            )}
                        >
                            <Marked text={page.name} part={text} />
                        </button>
                        <KindSign page={page} />
                        {page.start && (
                            <span className="ml-2 text-[12px] whitespace-nowrap text-ink-3">start page</span>
                        )}
                        {isParent && !row.open && (
                            <span className="ml-2 text-[12px] text-ink-3" title={count(page.children, 'page')}>
                                {page.children.toLocaleString('en-GB')}
                            </span>
                        )}
                        <RowMenu page={page} shown={active} onAct={act => on.act(row, act)} />
                    </>
                )}
            </div>
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

/** On how many picks a page is; the button that puts it on one, or takes it off. */
function Picks({ page, onPick }: { page: { name: string; picks: string[] }; onPick: () => void }) {
    const on = page.picks.length
    return (
        <Hint description={on === 0 ? 'Pick it for a place (P)' : `Picked: ${page.picks.join(', ')}`}>
            <button
                type="button"
                tabIndex={-1}
                aria-label={on === 0 ? `Pick ${page.name}` : `${page.name} is picked: ${page.picks.join(', ')}`}
                onClick={event => {
                    event.stopPropagation()
                    onPick()
                }}
                className={clsx(
                    'flex h-6 items-center gap-1 rounded px-1 text-[12px] hover:bg-heron-soft',
                    on === 0
                        ? 'text-ink-3 opacity-0 group-hover/row:opacity-100 focus-visible:opacity-100'
                        : 'text-reed',
                )}
            >
                <BookmarkCheck size={14} aria-hidden />
                {on > 1 && on}
            </button>
        </Hint>
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
    return `${clicks === null ? 'no way here' : `${clicks} ${clicks === 1 ? 'click' : 'clicks'}`} · ${linksIn} ${linksIn === 1 ? 'link' : 'links'}`
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
