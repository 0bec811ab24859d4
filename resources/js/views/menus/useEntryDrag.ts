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
import { find, holds, putAt, topmost, toPage, withoutAll, type Entry, type Spot } from './arrangement'

type Page = { id: string; name: string }
type Drag = {
    entries: Entry[]
    marks: ReadonlySet<string>
    onArrange: (entries: Entry[]) => void
    onElsewhere: (menu: string, ids: ReadonlySet<string>) => void
    onPageElsewhere: (menu: string, page: Page) => void
}

/** What is dragged: an entry with the others that are marked, or a page from the list beside. */
export type Dragged = { page?: Page }
/** What it is dropped on: an entry (by its identity), the end of the list, or another menu. */
export type Onto = { menu?: string; end?: true }

/** Dragging in the Menus view: entries within their menu and to another one, pages from beside into it. */
export function useEntryDrag({ entries, marks, onArrange, onElsewhere, onPageElsewhere }: Drag) {
    const [spot, setSpot] = useState<Spot | null>(null)
    const [dragging, setDragging] = useState<string | null>(null)
    const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 5 } }))
    const along = (id: string): ReadonlySet<string> => (marks.has(id) ? marks : new Set([id]))
    const moved = ({ active, over, activatorEvent, delta }: DragMoveEvent) => {
        const target = over === null ? undefined : find(entries, String(over.id))
        if (over === null || target === undefined || !(activatorEvent instanceof PointerEvent)) return setSpot(null)
        // An entry is not put into itself.
        const isOwn = find(topmost(entries, along(String(active.id))), target.entry.id) !== undefined
        if (isOwn && (active.data.current as Dragged | undefined)?.page === undefined) return setSpot(null)
        const y = activatorEvent.clientY + delta.y - over.rect.top
        const inside = holds(target.entry) && y > over.rect.height * 0.3 && y < over.rect.height * 0.7
        setSpot({ id: target.entry.id, where: inside ? 'inside' : y < over.rect.height / 2 ? 'before' : 'after' })
    }
    const dropped = ({ active, over }: DragEndEvent) => {
        const page = (active.data.current as Dragged | undefined)?.page
        const onto = over?.data.current as Onto | undefined
        const ids = along(String(active.id))
        const several = page === undefined ? topmost(entries, ids) : [toPage(page)]
        const rest = page === undefined ? withoutAll(entries, ids) : entries
        setSpot(null)
        setDragging(null)
        if (onto?.menu !== undefined)
            return page === undefined ? onElsewhere(onto.menu, ids) : onPageElsewhere(onto.menu, page)
        const put = spot === null ? null : putAt(rest, several, spot)
        if (put !== null) onArrange(put)
        else if (onto?.end === true) onArrange([...rest, ...several])
    }
    const nameOfDragged = (event: { active: DragEndEvent['active'] }) =>
        (event.active.data.current as Dragged | undefined)?.page?.name ?? null
    const context: DndContextProps = {
        sensors,
        collisionDetection: pointerWithin,
        onDragStart: event =>
            setDragging(nameOfDragged(event) ?? (marks.has(String(event.active.id)) ? `${marks.size} entries` : null)),
        onDragMove: moved,
        onDragEnd: dropped,
        onDragCancel: () => {
            setSpot(null)
            setDragging(null)
        },
    }
    return { context, spot, dragging }
}
