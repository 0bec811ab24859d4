import type { Schemas } from '../../api/client'
import { ulid } from '../../api/ulid'
import { change, find, lines, put, without, type Entry } from './arrangement'

type Shown = Schemas['ShownEntry']

/** An item as it is seen: of an entry, and, where the entry is filled from the tree, for one of its pages. */
export type Seen = { entry: string; page: string | null }

/** What came of giving a page an entry of its own: which one it is, and what had to become single entries for that. */
export type Settled = { entries: Entry[]; id: string; opened: string[] }

/** What is seen of an entry: itself, or, where it is filled from the tree, the topmost of its pages. */
export function itemsOf(shown: Shown[], entry: string): Shown[] {
    const here = shown.filter(one => one.entry === entry)
    return here.length > 0 ? here : shown.flatMap(one => itemsOf(one.under, entry))
}

export const holdsPage = (one: Shown, page: string): boolean =>
    one.page === page || one.under.some(below => holdsPage(below, page))

/**
 * Gives a page that a branch shows an entry of its own, so that it can be renamed or moved: the branch becomes single entries on
 * that level, below each of which it goes on by itself. What is an entry already stays as it is. Null where nothing of it is seen.
 */
export function settle(
    entries: Entry[],
    shown: Shown[],
    { entry, page }: Seen,
    made = new Map<string, string>(),
): Settled | null {
    const known = page === null ? undefined : made.get(page)
    if (known !== undefined) return { entries, id: known, opened: [] }
    const line = find(entries, entry)
    if (line === undefined) return null
    if (line.entry.kind !== 'branch' || page === null) return { entries, id: entry, opened: [] }
    return open(entries, line.entry.id, itemsOf(shown, entry), page, made)
}

function open(
    entries: Entry[],
    branch: string,
    items: Shown[],
    page: string,
    made: Map<string, string>,
): Settled | null {
    const line = find(entries, branch)
    const way = items.find(one => holdsPage(one, page))
    if (line === undefined || way === undefined) return null
    const { depth = 1, order, out, exceptions, in: letIn, audience, closed, from, until } = line.entry
    const below = (one: Shown): Entry[] =>
        depth > 1 && one.under.length > 0
            ? [
                  {
                      id: ulid(),
                      kind: 'branch',
                      page: one.page,
                      pageName: one.label,
                      depth: depth - 1,
                      ...given({ order, out, exceptions, in: letIn, audience, closed }),
                  },
              ]
            : []
    const single = items
        .filter(one => one.page !== null && one.hidden !== 'left-out')
        .map((one): Entry => ({
            id: ulid(),
            kind: 'page',
            page: one.page,
            pageName: one.label,
            entries: below(one),
            ...given({ audience, closed, from, until }),
        }))
    for (const each of single) if (each.page != null) made.set(each.page, each.id)
    const next = single.reduce((all, each, n) => put(all, each, line.parent, line.index + n), without(entries, branch))
    const opened = [line.entry.pageName ?? 'The top of the tree']
    const own = made.get(page)
    if (own !== undefined) return { entries: next, id: own, opened }
    const further = single.find(each => each.page === way.page)?.entries?.[0]
    const deeper = further === undefined ? null : open(next, further.id, way.under, page, made)
    return deeper && { ...deeper, opened: [...opened, ...deeper.opened] }
}

/** The item that was chosen, where it is seen. */
export const itemsIn = (shown: Shown[], { entry, page }: Seen): Shown | undefined =>
    shown
        .flatMap(one => [one, itemsIn(one.under, { entry, page })])
        .find(one => one?.entry === entry && one.page === page)

/** Leaves a page out of what fills an entry, or shows it again. */
export function leftOut(entries: Entry[], { entry, page }: Seen, name: string, isOut: boolean): Entry[] {
    const line = find(entries, entry)
    if (line === undefined || page === null) return entries
    const rest = (line.entry.out ?? []).filter(each => each !== page)
    return change(entries, entry, {
        out: isOut ? [...rest, page] : rest,
        exceptions: isOut ? [...(line.entry.exceptions ?? []), { id: page, name }] : line.entry.exceptions,
    })
}

/** The entry whose pages are all that a menu shows; undefined where it has others. */
export const onlyBranch = (entries: Entry[]) => {
    const all = lines(entries)
    return all.length === 1 && all[0]?.entry.kind === 'branch' ? all[0].entry : undefined
}

/** Without what is not said. */
function given<Fields extends object>(fields: Fields) {
    return Object.fromEntries(Object.entries(fields).filter(([, value]) => value !== undefined)) as {
        [Key in keyof Fields]?: Exclude<Fields[Key], undefined>
    }
}
