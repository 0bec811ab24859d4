import { useRef, useState, type ClipboardEvent, type KeyboardEvent } from 'react'
import { RightCell } from './RightCell'
import {
    cellKey,
    isOpen,
    nextSays,
    saysOf,
    saysOfText,
    textOfSays,
    type Column,
    type Row,
    type Says,
    type Typed,
} from './rightCells'

type Props = {
    rows: Row[]
    columns: Column[]
    branch: string | null
    set: Typed
    onSet: (cells: [Row, Column][], says: Says) => void
    onActive: (row: Row, column: Column) => void
}
type Spot = { row: number; column: number }

/** The cells, moved in and set by keyboard and mouse like those of a spreadsheet. */
export function RightsTable({ rows, columns, branch, set, onSet, onActive }: Props) {
    const table = useRef<HTMLTableElement>(null)
    const [at, setAt] = useState<Spot>({ row: 0, column: 0 })
    const [from, setFrom] = useState<Spot>({ row: 0, column: 0 })
    const between = (a: number, b: number, n: number) => n >= Math.min(a, b) && n <= Math.max(a, b)
    const isMarked = (row: number, column: number) =>
        between(at.row, from.row, row) && between(at.column, from.column, column)
    const marked = () =>
        rows.flatMap((row, r) =>
            columns.flatMap((column, c): [Row, Column][] => (isMarked(r, c) ? [[row, column]] : [])),
        )
    const go = (spot: Spot, extend: boolean) => {
        const next = {
            row: Math.max(0, Math.min(rows.length - 1, spot.row)),
            column: Math.max(0, Math.min(columns.length - 1, spot.column)),
        }
        setAt(next)
        if (!extend) setFrom(next)
        table.current?.querySelector<HTMLElement>(`[data-cell="${next.row} ${next.column}"]`)?.focus()
        const [row, column] = [rows[next.row], columns[next.column]]
        if (row !== undefined && column !== undefined) onActive(row, column)
    }
    const keys = (event: KeyboardEvent) => {
        if (event.ctrlKey || event.metaKey || event.altKey) return
        const steps: Record<string, [number, number]> = {
            ArrowUp: [-1, 0],
            ArrowDown: [1, 0],
            ArrowLeft: [0, -1],
            ArrowRight: [0, 1],
            Home: [0, -columns.length],
            End: [0, columns.length],
        }
        const says: Record<string, Says> = { a: 'allow', d: 'deny', Delete: null, Backspace: null }
        const step = steps[event.key]
        const [row, column] = [rows[at.row], columns[at.column]]
        if (row === undefined || column === undefined) return
        if (step !== undefined) go({ row: at.row + step[0], column: at.column + step[1] }, event.shiftKey)
        else if (event.key in says) onSet(marked(), says[event.key] ?? null)
        else if (event.key === ' ' || event.key === 'Enter') onSet(marked(), nextSays(saysOf(set, row, column)))
        else return
        event.preventDefault()
    }
    const copy = (event: ClipboardEvent) => {
        event.preventDefault()
        const lines = rows.flatMap((row, r) => {
            const cells = columns.filter((_, c) => isMarked(r, c))
            return cells.length === 0 ? [] : [cells.map(column => textOfSays(saysOf(set, row, column))).join('\t')]
        })
        event.clipboardData.setData('text/plain', lines.join('\n'))
    }
    const paste = (event: ClipboardEvent) => {
        event.preventDefault()
        const lines = event.clipboardData
            .getData('text/plain')
            .replace(/\r?\n$/, '')
            .split(/\r?\n/)
        const bySays = new Map<Says, [Row, Column][]>()
        lines.forEach((line, r) =>
            line.split('\t').forEach((text, c) => {
                const says = saysOfText(text)
                const [row, column] = [rows[at.row + r], columns[at.column + c]]
                if (says !== undefined && row !== undefined && column !== undefined)
                    bySays.set(says, [...(bySays.get(says) ?? []), [row, column]])
            }),
        )
        // One kind of what is said after the other would each begin from what stood before.
        const all = [...bySays.entries()]
        all.forEach(([says, cells]) => onSet(cells, says))
    }
    return (
        <div className="min-h-0 flex-1 overflow-auto">
            <table
                ref={table}
                role="grid"
                aria-label="Rights"
                aria-multiselectable
                className="border-separate border-spacing-0 pb-4"
                onKeyDown={keys}
                onCopy={copy}
                onPaste={paste}
            >
                <thead>
                    <tr>
                        <th
                            scope="col"
                            className="sticky top-0 left-0 z-20 w-[166px] min-w-[166px] border-b border-line bg-paper px-4 py-2 text-left text-[12px] font-normal text-ink-3"
                        >
                            Role or person
                        </th>
                        {columns.map(column => (
                            <th
                                key={column.right}
                                scope="col"
                                className="sticky top-0 z-10 w-[57px] min-w-[57px] border-b border-line bg-paper px-0 py-2 align-bottom text-[11px] leading-[14px] font-semibold"
                            >
                                {column.label}
                            </th>
                        ))}
                    </tr>
                </thead>
                <tbody>
                    {rows.map((row, r) => (
                        <tr key={row.who}>
                            <th
                                scope="row"
                                className={
                                    rows[r - 1]?.who.startsWith('role:') === true && row.who.startsWith('person:')
                                        ? 'sticky left-0 z-10 border-t-2 border-b border-edge border-b-line bg-paper px-4 py-1 text-left'
                                        : 'sticky left-0 z-10 border-b border-line bg-paper px-4 py-1 text-left'
                                }
                            >
                                <span className="block w-[140px] truncate font-semibold">{row.name}</span>
                                <span className="block w-[140px] truncate text-[12px] font-normal text-ink-3">
                                    {row.who.startsWith('role:') ? 'role' : row.roles.join(', ')}
                                </span>
                            </th>
                            {columns.map((column, c) => (
                                <RightCell
                                    key={column.right}
                                    cell={row.cells[column.right]}
                                    says={saysOf(set, row, column)}
                                    isSet={cellKey(row, column) in set}
                                    isOpen={isOpen(row, column, branch)}
                                    isMarked={isMarked(r, c)}
                                    isActive={at.row === r && at.column === c}
                                    isFirstPerson={
                                        rows[r - 1]?.who.startsWith('role:') === true && row.who.startsWith('person:')
                                    }
                                    label={`${row.name}, ${column.label}`}
                                    spot={`${r} ${c}`}
                                    onPress={extend => go({ row: r, column: c }, extend)}
                                    onDoublePress={() => onSet([[row, column]], nextSays(saysOf(set, row, column)))}
                                />
                            ))}
                        </tr>
                    ))}
                </tbody>
            </table>
        </div>
    )
}
