import { DndContext, DragOverlay, useDraggable } from '@dnd-kit/core'
import { useEffect, type RefObject } from 'react'
import { createPortal } from 'react-dom'
import { count } from '../../ui/count'
import { DropLine } from './DropLine'
import type { Row } from './rows'
import { besidePointer, useDrag } from './useDrag'

type Props = {
    rows: Row[]
    /** Rows in sight that may be taken. */
    ids: string[]
    scroller: RefObject<HTMLElement | null>
    /** What the rows lie on, and so the line where one would land. */
    canvas: HTMLElement
    marked: string[]
    onDone: () => void
    onDragged: (row: string | null) => void
}

/** Dragging of rows, laid over them once they are there: nobody waits for it who only looks. */
export function DragRows({ rows, ids, scroller, canvas, marked, onDone, onDragged }: Props) {
    const drag = useDrag({ rows, scroller, enabled: true, marked, onDone })
    const dragged = drag.moving?.key ?? null
    useEffect(() => onDragged(dragged), [dragged, onDragged])
    return (
        <DndContext {...drag.context}>
            {ids.map(id => (
                <Handle key={id} id={id} />
            ))}
            {createPortal(<DropLine drag={drag} />, canvas)}
            <DragOverlay dropAnimation={null} modifiers={[besidePointer]}>
                {drag.moving !== null && (
                    <span className="inline-block rounded bg-sheet px-2.5 py-1 font-medium shadow-float">
                        {marked.length > 1 && marked.includes(drag.moving.key)
                            ? count(marked.length, 'page')
                            : drag.moving.page.name}
                    </span>
                )}
            </DragOverlay>
        </DndContext>
    )
}

/** Makes a row that stands elsewhere one that can be taken. */
function Handle({ id }: { id: string }) {
    const { setNodeRef, listeners } = useDraggable({ id })
    useEffect(() => {
        const row = document.getElementById(`row-${id}`)
        setNodeRef(row)
        const heard = Object.entries(listeners ?? {}).map(([name, hear]): [string, EventListener] => [
            name.slice(2).toLowerCase(),
            // What it is handed otherwise comes by way of React.
            event => (hear as (event: { nativeEvent: Event }) => void)({ nativeEvent: event }),
        ])
        for (const [name, hear] of heard) row?.addEventListener(name, hear)
        return () => {
            for (const [name, hear] of heard) row?.removeEventListener(name, hear)
        }
    }, [id, listeners, setNodeRef])
    return null
}
