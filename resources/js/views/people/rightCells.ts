import type { Schemas } from '../../api/client'

export type Says = 'allow' | 'deny' | null
export type Row = Schemas['RightsRow']
export type Column = Schemas['RightsGrid']['rights'][number]

/** What was set and is not saved yet, by row and right. */
export type Typed = Record<string, Says>

export const cellKey = (row: Row, column: Column) => `${row.who} ${column.right}`

/** What is said in a cell, with what was set and is not saved yet. */
export const saysOf = (set: Typed, row: Row, column: Column): Says => {
    const key = cellKey(row, column)
    return key in set ? (set[key] ?? null) : (row.cells[column.right]?.says ?? null)
}

/** Whether something can be said here: what belongs to a site is said for a site, and owners may do everything. */
export const isOpen = (row: Row, column: Column, branch: string | null) =>
    !(column.isOfSite && branch !== null) && !(row.isOwner && row.who.startsWith('role:'))

/** With cells set to something; one set to what stands is as if it had not been touched. */
export function withCells(set: Typed, cells: [Row, Column][], says: Says): Typed {
    const touched = new Set(cells.map(cell => cellKey(...cell)))
    const next = Object.fromEntries(Object.entries(set).filter(([key]) => !touched.has(key)))
    for (const [row, column] of cells)
        if ((row.cells[column.right]?.says ?? null) !== says) next[cellKey(row, column)] = says
    return next
}

/** What a click or the space bar makes of it. */
export const nextSays = (says: Says): Says => (says === null ? 'allow' : says === 'allow' ? 'deny' : null)

/** As it is copied to and from a spreadsheet. */
export const textOfSays = (says: Says) => says ?? ''
export const saysOfText = (text: string): Says | undefined => {
    const word = text.trim().toLowerCase()
    return word === '' ? null : word === 'allow' || word === 'deny' ? word : undefined
}
