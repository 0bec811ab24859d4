import { useQueryClient } from '@tanstack/react-query'
import { useVirtualizer } from '@tanstack/react-virtual'
import { useRef, useState } from 'react'
import { keys } from '../../api/queries'
import { AskBeforeLeaving } from '../../app/AskBeforeLeaving'
import { useChanges, type Change } from '../../app/changes'
import { useSite } from '../../app/site'
import { count } from '../../ui/count'
import { ReadFailure } from '../../ui/ReadFailure'
import { useDebounced } from '../../ui/useDebounced'
import { useKept } from '../../ui/useKept'
import { BringInTexts } from './BringInTexts'
import { FindReplace } from './FindReplace'
import { GridBar } from './GridBar'
import { GridConflicts } from './GridConflicts'
import { overtaken, put, type Cell, type Edits, type Overtaken, type Row } from './gridEdits'
import { GridLine } from './GridLine'
import type { OpenPage, Search, SetSearch } from './search'
import { useGridKeys, type Spot } from './useGridKeys'
import { useGridRows } from './useGridRows'
import { useMeasured } from './useMeasured'

const ROW = 32
const none: Edits = {}

/** Titles and descriptions of all pages, written like a spreadsheet and saved as one change. */
export function Grid({ search, set, onPage }: { search: Search; set: SetSearch; onPage: OpenPage }) {
    const site = useSite()
    const queries = useQueryClient()
    const { propose } = useChanges()
    const { text, state, layout, branch, check } = search
    const filter = useDebounced(JSON.stringify({ text, state, layout, branch, check }), 150)
    const [edits, keep] = useKept<Edits>(`heronstem search-grid ${site.key}`, none)
    const [former, setFormer] = useState<Edits[]>([])
    const [spot, setSpot] = useState<Spot>({ index: 0, column: 'searchTitle' })
    const [from, setFrom] = useState(0)
    const [writing, write] = useState<string | null>(null)
    const [finding, find] = useState<Row[] | null>(null)
    const [isBringing, bring] = useState(false)
    const [conflicts, setConflicts] = useState<Overtaken[]>([])
    const scroller = useRef<HTMLDivElement>(null)
    const [seen, setSeen] = useState<readonly [number, number]>([0, 40])
    const rows = useGridRows(site.key, JSON.parse(filter) as Search, seen[0], seen[1])
    const total = rows.total ?? 0
    const virtual = useVirtualizer({
        count: total,
        getScrollElement: () => scroller.current,
        estimateSize: () => ROW,
        overscan: 12,
        onChange: ({ range }) => {
            if (range !== null && (range.startIndex !== seen[0] || range.endIndex !== seen[1]))
                setSeen([range.startIndex, range.endIndex])
        },
    })
    const shown = virtual.getVirtualItems()
    const measured = useMeasured(
        site.key,
        edits,
        shown.map(({ index }) => rows.at(index)),
    )
    const edited = Object.keys(edits).length
    const change = (cells: Cell[]) => {
        if (!site.writes || cells.length === 0) return
        setFormer(was => [...was.slice(-99), edits])
        keep(put(edits, cells))
    }
    const move = (to: Spot, isRange: boolean) => {
        setSpot(to)
        if (!isRange) setFrom(to.index)
        virtual.scrollToIndex(to.index)
        write(null)
        scroller.current?.focus()
    }
    const grid = useGridKeys({
        total,
        spot,
        from,
        edits,
        at: rows.at,
        known: rows.known,
        move,
        write: first => site.writes && write(first),
        change,
        undo: () => {
            const before = former.at(-1)
            if (before !== undefined) keep(before)
            setFormer(was => was.slice(0, -1))
        },
        open: () => {
            const row = rows.at(spot.index)
            if (row !== undefined) onPage(row.id, 'search')
        },
    })
    const discard = () => {
        keep(null)
        setFormer([])
    }
    const apply = () => {
        const changes: Change[] = Object.entries(edits).map(([page, of]) => ({
            kind: 'describe',
            page,
            ...(of.searchTitle === undefined ? {} : { searchTitle: of.searchTitle.value }),
            ...(of.searchDescription === undefined ? {} : { searchDescription: of.searchDescription.value }),
        }))
        void propose({
            title: `Saving titles and descriptions of ${count(edited, 'page')}`,
            act: 'Save titles and descriptions',
            batch: { changes },
            done: discard,
        })
    }
    const save = async () => {
        // What others saved meanwhile is read first, so that nothing of theirs is written over unseen.
        await queries.invalidateQueries({ queryKey: [...keys.site(site.key), 'search-grid'] })
        const lost = overtaken(edits, await rows.all())
        if (lost.length > 0) setConflicts(lost)
        else apply()
    }
    return (
        <div className="flex min-h-0 flex-1 flex-col">
            <GridBar
                site={site.key}
                search={search}
                set={change => {
                    setSpot({ index: 0, column: spot.column })
                    setFrom(0)
                    set(change)
                }}
                total={rows.total}
                edited={edited}
                writes={site.writes}
                onFind={() => void rows.all().then(find)}
                onFile={() => bring(true)}
                onDiscard={discard}
                onSave={() => void save()}
            />
            {rows.failed !== undefined && <ReadFailure of={rows.failed} />}
            <div
                ref={scroller}
                role="grid"
                aria-label="Titles and descriptions"
                aria-rowcount={total + 1}
                tabIndex={0}
                onKeyDown={event => writing === null && grid.typed(event)}
                onPaste={event => writing === null && grid.paste(event)}
                onCopy={event => writing === null && grid.copy(event)}
                className="relative min-h-0 flex-1 overflow-y-auto border-t border-line outline-none"
            >
                <div role="rowgroup" className="sticky top-0 z-10">
                    <div
                        role="row"
                        className="grid h-[30px] grid-cols-[minmax(160px,240px)_minmax(200px,1fr)_minmax(240px,1.4fr)] items-center border-b border-line bg-paper text-[12px] text-ink-3"
                    >
                        <span role="columnheader" className="px-4">
                            Page
                        </span>
                        <span role="columnheader" className="flex justify-between border-l border-line px-2">
                            Search title <span>px of 580</span>
                        </span>
                        <span role="columnheader" className="flex justify-between border-l border-line px-2">
                            Search description <span>px of 920</span>
                        </span>
                    </div>
                </div>
                <div role="rowgroup" className="relative" style={{ height: virtual.getTotalSize() }}>
                    {shown.map(({ index, start }) => {
                        const row = rows.at(index)
                        return (
                            row !== undefined && (
                                <GridLine
                                    key={row.id}
                                    row={row}
                                    index={index}
                                    start={start}
                                    edits={edits}
                                    measured={measured.get(row.id)}
                                    spot={spot}
                                    from={from}
                                    writing={writing}
                                    onMove={move}
                                    onWrite={site.writes ? write : () => undefined}
                                    onChange={change}
                                    onOpen={() => onPage(row.id, 'search')}
                                />
                            )
                        )
                    })}
                    {rows.total === 0 && <p className="px-4 py-6 text-ink-3">No pages match. Remove a filter.</p>}
                </div>
            </div>
            {finding !== null && (
                <FindReplace rows={finding} edits={edits} onReplace={change} onClose={() => find(null)} />
            )}
            {isBringing && <BringInTexts onClose={() => bring(false)} />}
            {conflicts.length > 0 && (
                <GridConflicts
                    overtaken={conflicts}
                    onClose={() => setConflicts([])}
                    onMine={() => {
                        setConflicts([])
                        apply()
                    }}
                    onTheirs={cells => {
                        keep(
                            put(
                                edits,
                                cells.map(({ row, column }) => ({
                                    row,
                                    column,
                                    value: edits[row.id]?.[column]?.over ?? row[column],
                                })),
                            ),
                        )
                        setConflicts([])
                    }}
                />
            )}
            <AskBeforeLeaving
                unsaved={edited > 0}
                part="part"
                title="Titles and descriptions are not saved yet"
                description={`What you typed for ${count(edited, 'page')} stays in the grid as long as this tab is open.`}
                leave="Leave them unsaved"
            />
        </div>
    )
}
