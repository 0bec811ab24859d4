import type { Schemas } from '../../api/client'
import { ulid } from '../../api/ulid'

export type Entry = Schemas['MenuEntry']
export type Kind = Entry['kind']

/** An entry in the flat list: how deep it stands, under which, as which. */
export type Line = { entry: Entry; level: number; parent: string | null; index: number; last: boolean }

export function lines(entries: Entry[], parent: string | null = null, level = 1): Line[] {
    return entries.flatMap((entry, index) => [
        { entry, level, parent, index, last: index === entries.length - 1 },
        ...lines(entry.entries ?? [], entry.id, level + 1),
    ])
}

export function find(entries: Entry[], id: string | undefined) {
    return id === undefined ? undefined : lines(entries).find(line => line.entry.id === id)
}

export function without(entries: Entry[], id: string): Entry[] {
    return entries
        .filter(entry => entry.id !== id)
        .map(entry => ({ ...entry, entries: without(entry.entries ?? [], id) }))
}

/** The same entries with one put at a place: as the n-th under a parent. */
export function put(entries: Entry[], entry: Entry, parent: string | null, index: number): Entry[] {
    if (parent === null) return [...entries.slice(0, index), entry, ...entries.slice(index)]
    return entries.map(each => ({
        ...each,
        entries:
            each.id === parent
                ? put(each.entries ?? [], entry, null, index)
                : put(each.entries ?? [], entry, parent, index),
    }))
}

export type Spot = { id: string; where: 'before' | 'after' | 'inside' }

/** The same entries with several put at a spot beside or under one of them, in their order; null where that one is not there. */
export function putAt(entries: Entry[], several: Entry[], spot: Spot): Entry[] | null {
    const target = find(entries, spot.id)
    if (target === undefined) return null
    const under = spot.where === 'inside' ? target.entry.id : target.parent
    const from =
        spot.where === 'inside' ? (target.entry.entries ?? []).length : target.index + (spot.where === 'after' ? 1 : 0)
    return several.reduce((all, entry, n) => put(all, entry, under, from + n), entries)
}

/** Of the entries named, those that stand under none of the others: what has to be taken hold of to have them all. */
export function topmost(entries: Entry[], ids: ReadonlySet<string>): Entry[] {
    return entries.flatMap(entry => (ids.has(entry.id) ? [entry] : topmost(entry.entries ?? [], ids)))
}

export function withoutAll(entries: Entry[], ids: ReadonlySet<string>): Entry[] {
    return [...ids].reduce(without, entries)
}

/** One step of several entries, which keep together. */
export function stepAll(entries: Entry[], ids: ReadonlySet<string>, to: Step): Entry[] {
    const order = topmost(entries, ids).map(entry => entry.id)
    if (to === 'down' || to === 'out') order.reverse()
    const stuck = new Set<string>()
    return order.reduce((all, id) => {
        const line = find(all, id)
        const siblings =
            line === undefined ? [] : line.parent === null ? all : (find(all, line.parent)?.entry.entries ?? [])
        const next = line === undefined ? undefined : siblings[line.index + (to === 'up' ? -1 : 1)]
        // What stands at the edge stays, and so does what is held up by it.
        const isStuck = (to === 'up' || to === 'down') && (next === undefined || stuck.has(next.id))
        if (isStuck) stuck.add(id)
        return isStuck ? all : step(all, id, to)
    }, entries)
}

/** The same entries as new ones: for another menu, where identities are its own. */
export function renewed(entries: Entry[]): Entry[] {
    return entries.map(entry => ({
        ...entry,
        id: ulid(),
        ...(entry.entries === undefined ? {} : { entries: renewed(entry.entries) }),
    }))
}

export const toPage = (page: { id: string; name: string }): Entry => ({
    id: ulid(),
    kind: 'page',
    page: page.id,
    pageName: page.name,
})

/** Fields of an entry to set; undefined takes one away. */
export type Changed = { [Key in keyof Entry]?: Entry[Key] | undefined }

export function change(entries: Entry[], id: string, fields: Changed): Entry[] {
    return entries.map(entry =>
        entry.id === id
            ? ({ ...entry, ...fields } as Entry)
            : { ...entry, entries: change(entry.entries ?? [], id, fields) },
    )
}

/** Takes an entry out; what stands under it takes its place. */
export function dissolve(entries: Entry[], id: string): Entry[] {
    return entries.flatMap(entry =>
        entry.id === id ? (entry.entries ?? []) : [{ ...entry, entries: dissolve(entry.entries ?? [], id) }],
    )
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
        return above === undefined || !holds(above)
            ? entries
            : put(rest, line.entry, above.id, (above.entries ?? []).length)
    }
    const parent = line.parent === null ? undefined : find(entries, line.parent)
    return parent === undefined ? entries : put(rest, line.entry, parent.parent, parent.index + 1)
}

/** Only what is written: names for reading are dropped. */
export function written(entries: Entry[]): Entry[] {
    return entries.map(entry => {
        const kept = { ...entry }
        delete kept.pageName
        delete kept.exceptions
        delete kept.fileName
        delete kept.entries
        return entry.entries === undefined || entry.entries.length === 0
            ? kept
            : { ...kept, entries: written(entry.entries) }
    })
}

export function nameOf(entry: Entry) {
    if (entry.label !== undefined && entry.label !== '') return entry.label
    if (entry.kind === 'separator') return 'Separator'
    if (entry.kind === 'branch') return entry.pageName ?? 'The top of the tree'
    return entry.pageName ?? entry.fileName ?? entry.address ?? entry.url ?? 'a page that is gone'
}
