import type { Schemas } from '../../api/client'

export type LayoutField = Schemas['LayoutField']
/** What stands in fields, by their keys: as JSON holds it, or as it is being typed. */
export type Values = Record<string, unknown>
export type Row = Values
/** Why a value was not taken, by the place that the server names, without `fields.`. */
export type Refusals = Record<string, string>

export const rowsOf = (value: unknown): Row[] => (Array.isArray(value) ? (value as Row[]) : [])
export const textOfValue = (value: unknown): string =>
    typeof value === 'string' || typeof value === 'number' ? String(value) : ''
export const objectOf = (value: unknown): Values =>
    typeof value === 'object' && value !== null && !Array.isArray(value) ? (value as Values) : {}

/** The refusals of an answer that name fields. */
export function refusalsOf(errors: { field: string; reason: string }[] | undefined): Refusals {
    const named: Refusals = {}
    for (const { field, reason } of errors ?? []) {
        const at = field.replace(/^(changes\.\d+\.)?fields\./, '')
        if (at !== field) named[at] = reason
    }
    return named
}
