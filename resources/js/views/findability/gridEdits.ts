import type { Schemas } from '../../api/client'

export type Row = Schemas['SearchGridRow']
export type Column = 'searchTitle' | 'searchDescription'
export const columns: readonly Column[] = ['searchTitle', 'searchDescription']

/** What is typed over what stood when it was typed, by page and column. */
export type Edit = { value: string; over: string }
export type Edits = Record<string, Partial<Record<Column, Edit>>>
export type Cell = { row: Row; column: Column; value: string }

export const valueOf = (edits: Edits, row: Row, column: Column) => edits[row.id]?.[column]?.value ?? row[column]

/** The edits with more cells; a cell that says again what stands is no edit. */
export function put(edits: Edits, cells: readonly Cell[]): Edits {
    const next = new Map(Object.entries(edits))
    for (const { row, column, value } of cells) {
        const { [column]: was, ...rest } = next.get(row.id) ?? {}
        const over = was?.over ?? row[column]
        const of = value === over ? rest : { ...rest, [column]: { value, over } }
        if (Object.keys(of).length === 0) next.delete(row.id)
        else next.set(row.id, of)
    }
    return Object.fromEntries(next)
}

/** Rows of a spreadsheet as they are copied: cells by tabs, quoted where they hold a tab, a break or a quote. */
export function cellsOf(text: string): string[][] {
    const rows: string[][] = [[]]
    let cell = ''
    let quoted = false
    const end = () => {
        rows.at(-1)?.push(cell)
        cell = ''
    }
    for (let i = 0; i < text.length; i++) {
        const sign = text.charAt(i)
        if (quoted) {
            if (sign !== '"') cell += sign
            else if (text.charAt(i + 1) === '"') {
                cell += '"'
                i++
            } else quoted = false
        } else if (sign === '"' && cell === '') quoted = true
        else if (sign === '\t') end()
        else if (sign === '\n' || sign === '\r') {
            if (sign === '\r' && text.charAt(i + 1) === '\n') i++
            end()
            rows.push([])
        } else cell += sign
    }
    end()
    // A column that is copied ends in a break, behind which nothing stands.
    if (rows.length > 1 && rows.at(-1)?.join('') === '') rows.pop()
    return rows
}

/** What is pasted from a cell on, downwards and to the right, and how many lines found no row. */
export function pasted(rows: readonly Row[], from: number, column: Column, text: string) {
    const lines = cellsOf(text)
    const first = columns.indexOf(column)
    const cells = lines.flatMap((line, n) => {
        const row = rows[from + n]
        return row === undefined
            ? []
            : line.flatMap((value, k) => {
                  const at = columns[first + k]
                  return at === undefined ? [] : [{ row, column: at, value: value.replace(/\s+/g, ' ').trim() }]
              })
    })
    return { cells, lines: lines.length, left: Math.max(0, lines.length - Math.max(0, rows.length - from)) }
}

/** Every place of a text in the cells of a column, replaced; cells without it are left out. */
export function replaced(edits: Edits, rows: readonly Row[], column: Column, find: string, by: string): Cell[] {
    if (find === '') return []
    const pattern = new RegExp(find.replace(/[.*+?^${}()|[\]\\]/g, '\\$&'), 'giu')
    return rows.flatMap(row => {
        const now = valueOf(edits, row, column)
        const value = now.replace(pattern, () => by)
        return value === now ? [] : [{ row, column, value }]
    })
}

/** Edits whose page says something else by now than when they were typed: somebody else saved meanwhile. */
export function overtaken(edits: Edits, rows: readonly Row[]) {
    return rows.flatMap(row =>
        columns.flatMap(column => {
            const edit = edits[row.id]?.[column]
            return edit === undefined || edit.over === row[column] || edit.value === row[column]
                ? []
                : [{ row, column, mine: edit.value, theirs: row[column] }]
        }),
    )
}

export type Overtaken = ReturnType<typeof overtaken>[number]
