import type { Schemas } from '../../api/client'
import { valueOf, type Cell, type Column, type Edits, type Row } from './gridEdits'
import { GridCell } from './GridCell'
import type { Spot } from './useGridKeys'

type Props = {
    row: Row
    index: number
    start: number
    edits: Edits
    measured: Schemas['MeasuredTexts'] | undefined
    spot: Spot
    from: number
    writing: string | null
    onMove: (spot: Spot, isRange: boolean) => void
    onWrite: (first: string | null) => void
    onChange: (cells: Cell[]) => void
    onOpen: () => void
}

/** One page of the grid. */
export function GridLine({ row, index, start, edits, measured, spot, from, writing, ...on }: Props) {
    const cell = (column: Column, otherwise: string, width: number, max: number, isDouble: boolean, label: string) => {
        const isActive = index === spot.index && column === spot.column
        return (
            <GridCell
                value={valueOf(edits, row, column)}
                otherwise={otherwise}
                isEdited={edits[row.id]?.[column] !== undefined}
                isActive={isActive}
                isMarked={
                    column === spot.column &&
                    from !== spot.index &&
                    index >= Math.min(from, spot.index) &&
                    index <= Math.max(from, spot.index)
                }
                writing={isActive ? writing : null}
                width={width}
                max={max}
                isDouble={isDouble}
                label={`${label} of ${row.name}`}
                onActive={isRange => on.onMove({ index, column }, isRange)}
                onWrite={on.onWrite}
                onWritten={(value, step) => {
                    on.onChange([{ row, column, value: value.replace(/\s+/g, ' ').trim() }])
                    on.onMove({ index: Math.max(0, index + step), column }, false)
                }}
                onLeft={() => on.onMove({ index, column }, false)}
            />
        )
    }
    const own = edits[row.id]
    const hasTitle = own?.searchTitle !== undefined && measured !== undefined && measured.titleWidth > 0
    const hasDescription =
        own?.searchDescription !== undefined && measured !== undefined && measured.descriptionWidth > 0
    return (
        <div
            role="row"
            aria-rowindex={index + 2}
            style={{ transform: `translateY(${start}px)` }}
            className="absolute inset-x-0 grid h-8 grid-cols-[minmax(160px,240px)_minmax(200px,1fr)_minmax(240px,1.4fr)] items-center border-b border-line"
        >
            <span role="rowheader" className="min-w-0 px-4" style={{ paddingLeft: 16 + row.level * 10 }}>
                <button
                    type="button"
                    tabIndex={-1}
                    onClick={on.onOpen}
                    className="block max-w-full truncate text-left hover:text-heron hover:underline"
                >
                    {row.name}
                </button>
            </span>
            {cell(
                'searchTitle',
                row.title,
                hasTitle ? measured.titleWidth : row.titleWidth,
                580,
                hasTitle ? measured.titleDouble : row.titleDouble,
                'Search title',
            )}
            {cell(
                'searchDescription',
                row.description,
                hasDescription ? measured.descriptionWidth : row.descriptionWidth,
                920,
                hasDescription ? measured.descriptionDouble : row.descriptionDouble,
                'Search description',
            )}
        </div>
    )
}
