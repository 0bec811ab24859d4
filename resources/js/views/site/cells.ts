import type { Schemas } from '../../api/client'
import { same } from '../../app/differing'
import { objectOf, textOfValue, type LayoutField, type Values } from '../../app/fields/values'

export type PageRow = Schemas['LayoutPage']
/** What was typed, by page and field, with what stood there when it was. */
export type Typed = Record<string, Record<string, { value: unknown; before: unknown }>>

export const fieldsOf = (row: PageRow) => row.fields as Values
export function valueOf(typed: Typed, row: PageRow, key: string) {
    const cell = typed[row.id]?.[key]
    return cell === undefined ? fieldsOf(row)[key] : (cell.value ?? null)
}

/** With a cell that was typed into; one that says again what stands is none. */
export function withCell(typed: Typed, row: PageRow, key: string, value: unknown): Typed {
    const { [key]: was, ...others } = typed[row.id] ?? {}
    const before = was?.before ?? fieldsOf(row)[key]
    const cells = same(value, fieldsOf(row)[key]) ? others : { ...others, [key]: { value, before } }
    const rest = Object.fromEntries(Object.entries(typed).filter(([page]) => page !== row.id))
    return Object.keys(cells).length === 0 ? rest : { ...rest, [row.id]: cells }
}

/** Cells that somebody else changed while they were typed into. */
export function conflictsIn(typed: Typed, rows: PageRow[]) {
    return rows.flatMap(row =>
        Object.entries(typed[row.id] ?? {})
            .filter(([key, cell]) => !same(fieldsOf(row)[key], cell.before) && !same(fieldsOf(row)[key], cell.value))
            .map(([key, cell]) => ({ row, key, mine: cell.value, theirs: fieldsOf(row)[key] })),
    )
}

/** Values that are too large for a cell are summed up there, and set in the page. */
export const isTyped = ({ kind }: LayoutField) =>
    kind !== 'rows' && kind !== 'picture' && kind !== 'file' && kind !== 'page' && kind !== 'long-text'

export function summary(field: LayoutField, value: unknown, named: Record<string, string> = {}): string {
    if (value === undefined || value === null) return ''
    if (Array.isArray(value)) return value.length === 1 ? '1 row' : `${value.length} rows`
    if (typeof value === 'string') return value
    return field.kind === 'page'
        ? (named[textOfValue(objectOf(value).page)] ?? 'a page')
        : field.kind === 'file'
          ? 'a file'
          : 'a picture'
}
