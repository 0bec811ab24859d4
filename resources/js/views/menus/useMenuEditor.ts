import { useState } from 'react'
import type { Schemas } from '../../api/client'
import { useChanges } from '../../app/changes'
import { notify } from '../../app/notify'
import { useSite } from '../../app/site'
import { find, lines, pathOf, put, toPage, topmost, without, withoutAll } from './arrangement'
import type { Seen } from './branches'
import type { Search, SetSearch } from './search'
import { useArrangement } from './useArrangement'
import { useEntryDrag } from './useEntryDrag'
import { useSeenEditing } from './useSeenEditing'

export type MenuEditing = { menu: Schemas['MenuItem']; list: Schemas['MenuList']; search: Search; set: SetSearch }

/** One menu being worked on: its arrangement, which entries are marked or open, and what can be done to them. */
export function useMenuEditor({ menu, list, search, set }: MenuEditing) {
    const site = useSite()
    const arrangement = useArrangement(site.key, menu.id, { who: search.who, at: search.at })
    const { looked, entries, problem, arrange, moveTo } = arrangement
    const { propose } = useChanges()
    const [marked, setMarks] = useState<ReadonlySet<string>>(new Set())
    const active = find(entries, search.entry)
    const marks = new Set(lines(entries).flatMap(({ entry }) => (marked.has(entry.id) ? [entry.id] : [])))
    const [seen, setSeen] = useState<Seen | null>(null)
    const onEntry = (entry: string) => {
        setSeen(null)
        set({ entry })
    }
    const editing = useSeenEditing(entries, looked?.shown ?? [], arrange, onEntry)
    const elsewhere = (to: string, ids: ReadonlySet<string>) => {
        const other = list.menus.find(each => each.id === to)
        if (other === undefined || other.id === menu.id) return
        if (other.kind === 'picks' && lines(topmost(entries, ids)).some(line => line.entry.kind !== 'page'))
            return void notify.error(`${other.name} takes pages only: these entries lead elsewhere.`)
        setMarks(new Set())
        void moveTo(other, ids, menu.name)
    }
    const pageElsewhere = (to: string, page: { id: string; name: string }) =>
        to === menu.id
            ? arrange([...entries, toPage(page)])
            : void propose({
                  title: `Adding ${page.name} to ${list.menus.find(each => each.id === to)?.name ?? 'a menu'}`,
                  act: 'Add',
                  batch: { changes: [{ kind: 'add-to-menu', page: page.id, menu: to }] },
              })
    const drag = useEntryDrag({
        entries,
        shown: looked?.shown ?? [],
        marks,
        flat: menu.kind === 'picks',
        onArrange: arrange,
        onElsewhere: elsewhere,
        onPageElsewhere: pageElsewhere,
    })
    const shown = new Map<string, Schemas['ShownEntry']>()
    const note = (each: Schemas['ShownEntry'][]) =>
        each.forEach(one => {
            if (!shown.has(one.entry)) shown.set(one.entry, one)
            note(one.under)
        })
    note(looked?.shown ?? [])
    return {
        ...arrangement,
        site,
        active,
        marks,
        setMarks,
        shown,
        drag,
        elsewhere,
        onEntry,
        editing,
        seen: search.entry !== undefined && seen?.entry === search.entry ? seen : null,
        onSeen: (one: Seen) => {
            setSeen(one)
            set({ entry: one.entry })
        },
        add: (entry: Parameters<typeof put>[1]) => {
            const at = active === undefined ? entries.length : active.index + 1
            arrange(put(entries, entry, active?.parent ?? null, at))
            onEntry(entry.id)
        },
        out: (id: string) => {
            arrange(without(entries, id))
            set({ entry: undefined })
        },
        outMarked: () => {
            arrange(withoutAll(entries, marks))
            setMarks(new Set())
        },
        errorOf: (field: string) => {
            const path = active === undefined ? '' : pathOf(entries, active.entry.id)
            return problem?.problem.errors?.find(each => each.field === `${path}.${field}`)?.reason
        },
    }
}
