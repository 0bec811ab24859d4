import {
    PointerSensor,
    pointerWithin,
    useSensor,
    useSensors,
    type DndContextProps,
    type DragEndEvent,
    type DragMoveEvent,
} from '@dnd-kit/core'
import { useState } from 'react'
import type { Schemas } from '../../api/client'
import { find, holds, putAt, topmost, toPage, withoutAll, type Entry, type Spot } from './arrangement'
import { settle, type Seen } from './branches'
import { sayOpened } from './useSeenEditing'

type Page = { id: string; name: string }
type Drag = {
    entries: Entry[]
    shown: Schemas['ShownEntry'][]
    marks: ReadonlySet<string>
    /** Picks have one level. */
    flat: boolean
    onArrange: (entries: Entry[]) => void
    onElsewhere: (menu: string, ids: ReadonlySet<string>) => void
    onPageElsewhere: (menu: string, page: Page) => void
}

/** What is dragged: an entry with the others that are marked, an item as it is seen, or a page from the list beside. */
export type Dragged = { page?: Page; seen?: Seen; name?: string }
/** What it is dropped on: an entry (by its identity), an item as it is seen, the end of the list, or another menu. */
export type Onto = { menu?: string; end?: true; seen?: Seen; across?: boolean }
/** Where beside an item that is seen it would land. */
export type SeenSpot = Seen & { where: Spot['where'] }

/** Dragging in the Menus view: entries and what is seen of them within their menu and to another one, pages from beside into it. */
export function useEntryDrag({ entries, shown, marks, flat, onArrange, onElsewhere, onPageElsewhere }: Drag) {
    const [spot, setSpot] = useState<Spot | null>(null)
    const [seenSpot, setSeenSpot] = useState<SeenSpot | null>(null)
    const [dragging, setDragging] = useState<string | null>(null)
    const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 5 } }))
    const along = (id: string): ReadonlySet<string> => (marks.has(id) ? marks : new Set([id]))
    const dataOf = ({ active }: { active: DragEndEvent['active'] }) => (active.data.current ?? {}) as Dragged
    const moved = (event: DragMoveEvent) => {
        const { active, over, activatorEvent, delta } = event
        const none = () => {
            setSpot(null)
            setSeenSpot(null)
        }
        if (over === null || !(activatorEvent instanceof PointerEvent)) return none()
        const onto = (over.data.current ?? {}) as Onto
        const across = (activatorEvent.clientX + delta.x - over.rect.left) / over.rect.width
        const down = (activatorEvent.clientY + delta.y - over.rect.top) / over.rect.height
        const part = onto.across === true ? across : down
        const where = (canHold: boolean): Spot['where'] =>
            canHold && part > 0.3 && part < 0.7 ? 'inside' : part < 0.5 ? 'before' : 'after'
        if (onto.seen !== undefined) {
            if (over.id === active.id) return none()
            setSpot(null)
            const entry = find(entries, onto.seen.entry)?.entry
            setSeenSpot({ ...onto.seen, where: where(!flat && entry?.kind !== 'separator') })
            return
        }
        setSeenSpot(null)
        const target = find(entries, String(over.id))
        if (target === undefined) return setSpot(null)
        // An entry is not put into itself.
        const isOwn = find(topmost(entries, along(String(active.id))), target.entry.id) !== undefined
        if (isOwn && dataOf(event).page === undefined) return setSpot(null)
        setSpot({ id: target.entry.id, where: where(holds(target.entry) && !flat) })
    }
    const dropped = (event: DragEndEvent) => {
        const { active, over } = event
        const { page, seen, name } = dataOf(event)
        const onto = (over?.data.current ?? {}) as Onto
        setSpot(null)
        setSeenSpot(null)
        setDragging(null)
        const isOfBranch = seen?.page != null && find(entries, seen.entry)?.entry.kind === 'branch'
        if (onto.menu !== undefined) {
            if (page !== undefined) onPageElsewhere(onto.menu, page)
            // What a branch shows stays there; the other menu gets the page.
            else if (isOfBranch && seen?.page != null) onPageElsewhere(onto.menu, { id: seen.page, name: name ?? '' })
            else onElsewhere(onto.menu, along(seen?.entry ?? String(active.id)))
            return
        }
        let all = entries
        const made = new Map<string, string>()
        const opened: string[] = []
        const own = (of: Seen) => {
            const settled = settle(all, shown, of, made)
            if (settled === null) return null
            all = settled.entries
            opened.push(...settled.opened)
            return settled.id
        }
        const target = seenSpot === null ? spot : ownSpot(seenSpot, own)
        const moving = seen === undefined ? String(active.id) : own(seen)
        if (moving === null) return
        const several = page === undefined ? topmost(all, along(moving)) : [toPage(page)]
        const rest = page === undefined ? withoutAll(all, along(moving)) : all
        if (target !== null && find(several, target.id) !== undefined) return
        const put = target === null ? null : putAt(rest, several, target)
        if (put === null && onto.end !== true) return
        onArrange(put ?? [...rest, ...several])
        sayOpened(opened)
    }
    const context: DndContextProps = {
        sensors,
        collisionDetection: pointerWithin,
        onDragStart: event => {
            const { page, name } = dataOf(event)
            setDragging(page?.name ?? name ?? (marks.has(String(event.active.id)) ? `${marks.size} entries` : null))
        },
        onDragMove: moved,
        onDragEnd: dropped,
        onDragCancel: () => {
            setSpot(null)
            setSeenSpot(null)
            setDragging(null)
        },
    }
    return { context, spot, seenSpot, dragging }
}

function ownSpot({ where, ...seen }: SeenSpot, own: (of: Seen) => string | null): Spot | null {
    const id = own(seen)
    return id === null ? null : { id, where }
}
