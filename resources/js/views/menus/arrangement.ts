import type { Schemas } from '../../api/client'

export type Entry = Schemas['MenuEntry']
export type Kind = Entry['kind']

/** An entry in the flat list: how deep it stands, under which, as which. */
export type Line = { entry: Entry; level: number; parent: string | null; index: number; last: boolean }

export function lines(entries: Entry[], parent: string | null = null, level = 1): Line[] {
    return entries.flatMap((entry, index) => [{ entry, level, parent, index, last: index === entries.length - 1 }, ...lines(entry.entries ?? [], entry.id, level + 1)])
}

export function find(entries: Entry[], id: string | undefined) {
    return id === undefined ? undefined : lines(entries).find(line => line.entry.id === id)
}

export function without(entries: Entry[], id: string): Entry[] {
    return entries.filter(entry => entry.id !== id).map(entry => ({ ...entry, entries: without(entry.entries ?? [], id) }))
}

/** The same entries with one put at a place: as the n-th under a parent. */
export function put(entries: Entry[], entry: Entry, parent: string | null, index: number): Entry[] {
    if (parent === null) return [...entries.slice(0, index), entry, ...entries.slice(index)]
    return entries.map(each => ({ ...each, entries: each.id === parent ? put(each.entries ?? [], entry, null, index) : put(each.entries ?? [], entry, parent, index) }))
}

export function change(entries: Entry[], id: string, fields: Partial<Entry>): Entry[] {
    return entries.map(entry => (entry.id === id ? { ...entry, ...fields } : { ...entry, entries: change(entry.entries ?? [], id, fields) }))
}

/** Takes an entry out; what stands under it takes its place. */
export function dissolve(entries: Entry[], id: string): Entry[] {
    return entries.flatMap(entry => (entry.id === id ? (entry.entries ?? []) : [{ ...entry, entries: dissolve(entry.entries ?? [], id) }]))
}

/** Where an entry is written, as problems name it: `entries.1.entries.0`. */
export function pathOf(entries: Entry[], id: string): string | null {
    for (const [index, entry] of entries.entries()) {
        const below = entry.id === id ? '' : pathOf(entry.entries ?? [], id)
        if (below !== null) return `entries.${index}${below === '' ? '' : `.${below}`}`
    }
    return null
}

export const holds = (entry: Entry) => entry.kind !== 'branch' && entry.kind !== 'separator'

export type Step = 'up' | 'down' | 'in' | 'out'

/** One step among its siblings, under the one above, or out beside its parent; the same entries where that is no step. */
export function step(entries: Entry[], id: string, to: Step): Entry[] {
    const line = find(entries, id)
    if (line === undefined) return entries
    const siblings = line.parent === null ? entries : (find(entries, line.parent)?.entry.entries ?? [])
    const rest = without(entries, id)
    if (to === 'up') return line.index === 0 ? entries : put(rest, line.entry, line.parent, line.index - 1)
    if (to === 'down') return line.last ? entries : put(rest, line.entry, line.parent, line.index + 1)
    if (to === 'in') {
        const above = siblings[line.index - 1]
        return above === undefined || !holds(above) ? entries : put(rest, line.entry, above.id, (above.entries ?? []).length)
    }
    const parent = line.parent === null ? undefined : find(entries, line.parent)
    return parent === undefined ? entries : put(rest, line.entry, parent.parent, parent.index + 1)
}

/** Only what is written: names for reading are left away. */
export function written(entries: Entry[]): Entry[] {
    return entries.map(entry => {
        const kept = { ...entry }
        delete kept.pageName
        delete kept.exceptions
        delete kept.entries
        return entry.entries === undefined || entry.entries.length === 0 ? kept : { ...kept, entries: written(entry.entries) }
    })
}

export function nameOf(entry: Entry) {
    if (entry.label !== undefined && entry.label !== '') return entry.label
    if (entry.kind === 'separator') return 'Separator'
    if (entry.kind === 'branch') return entry.pageName ?? 'The top of the tree'
    return entry.pageName ?? entry.address ?? entry.url ?? 'a page that is gone'
}
