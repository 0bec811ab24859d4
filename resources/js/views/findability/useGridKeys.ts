import type { ClipboardEvent, KeyboardEvent } from 'react'
import { notify } from '../../app/notify'
import { columns, pasted, valueOf, type Cell, type Column, type Edits, type Row } from './gridEdits'

export type Spot = { index: number; column: Column }

type Grid = {
    total: number
    spot: Spot
    from: number
    edits: Edits
    at: (index: number) => Row | undefined
    known: () => Row[]
    move: (spot: Spot, isRange: boolean) => void
    write: (first: string) => void
    change: (cells: Cell[]) => void
    undo: () => void
    open: () => void
}

/** The keys of a spreadsheet: arrows, Enter and F2, typing over, Delete, copy and paste of columns, fill down, undo. */
export function useGridKeys({ total, spot, from, edits, at, known, move, write, change, undo, open }: Grid) {
    const row = at(spot.index)
    const marked = () => {
        const [low, high] = [Math.min(from, spot.index), Math.max(from, spot.index)]
        return Array.from({ length: high - low + 1 }, (_, n) => at(low + n)).filter(each => each !== undefined)
    }
    const step = (by: number, isRange: boolean) =>
        move({ ...spot, index: Math.max(0, Math.min(total - 1, spot.index + by)) }, isRange)
    const sideways = (by: 1 | -1) => {
        const column = columns[columns.indexOf(spot.column) + by]
        if (column !== undefined) move({ ...spot, column }, false)
        return column !== undefined
    }
    const fill = () => {
        const [first, ...rest] = marked()
        if (first === undefined || rest.length === 0) {
            notify.message('Mark several cells with Shift and an arrow first; the topmost fills those below.')
            return
        }
        const value = valueOf(edits, first, spot.column)
        change(rest.map(each => ({ row: each, column: spot.column, value })))
    }
    const typed = (event: KeyboardEvent) => {
        const mod = event.ctrlKey || event.metaKey
        const acts: Record<string, (() => void) | undefined> = mod
            ? { d: fill, z: undo, home: () => step(-total, event.shiftKey), end: () => step(total, event.shiftKey) }
            : {
                  arrowdown: () => step(1, event.shiftKey),
                  arrowup: () => step(-1, event.shiftKey),
                  pagedown: () => step(15, event.shiftKey),
                  pageup: () => step(-15, event.shiftKey),
                  arrowright: () => sideways(1),
                  arrowleft: () => sideways(-1),
                  enter: () => row !== undefined && write(valueOf(edits, row, spot.column)),
                  f2: () => row !== undefined && write(valueOf(edits, row, spot.column)),
                  delete: () => change(marked().map(each => ({ row: each, column: spot.column, value: '' }))),
                  backspace: () => change(marked().map(each => ({ row: each, column: spot.column, value: '' }))),
                  o: event.altKey ? open : undefined,
              }
        const act = acts[event.key.toLowerCase()]
        if (act !== undefined && !(mod && event.shiftKey)) {
            event.preventDefault()
            event.stopPropagation()
            act()
        } else if (!mod && !event.altKey && event.key.length === 1) {
            event.preventDefault()
            write(event.key)
        }
    }
    const paste = (event: ClipboardEvent) => {
        event.preventDefault()
        const { cells, lines, left } = pasted(
            known(),
            Math.min(from, spot.index),
            spot.column,
            event.clipboardData.getData('text/plain'),
        )
        change(cells)
        if (left > 0)
            notify.error(
                `${lines} lines were pasted, and ${lines - left} found a row. The last ${left} have none and were left out: widen the filter, or paste them where they belong.`,
            )
    }
    const copy = (event: ClipboardEvent) => {
        event.preventDefault()
        event.clipboardData.setData(
            'text/plain',
            marked()
                .map(each => valueOf(edits, each, spot.column))
                .join('\n'),
        )
    }
    return { typed, paste, copy }
}
