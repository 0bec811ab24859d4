import {
    MouseSensor,
    TouchSensor,
    useSensor,
    useSensors,
    type DndContextProps,
    type DragMoveEvent,
    type Modifier,
} from '@dnd-kit/core'
import { useMutation } from '@tanstack/react-query'
import { useRef, useState, type RefObject } from 'react'
import { answered, api, type Schemas } from '../../api/client'
import { useChanges } from '../../app/changes'
import { useSite } from '../../app/site'
import { placeAt, placeWords, type Spot } from './place'
import { ROW, type Row } from './rows'

type PageRow = Row & { kind: 'page' }
export type Target = { row: PageRow; index: number; spot: Spot }
type Input = {
    rows: Row[]
    scroller: RefObject<HTMLElement | null>
    enabled: boolean
    marked: string[]
    onDone: () => void
}

/** Keeps what is dragged beside the pointer, wherever in the row it was taken. */
export const besidePointer: Modifier = ({ activatorEvent, activeNodeRect, transform }) =>
    activatorEvent instanceof MouseEvent && activeNodeRect !== null
        ? {
              ...transform,
              x: transform.x + activatorEvent.clientX - activeNodeRect.left + 14,
              y: transform.y + activatorEvent.clientY - activeNodeRect.top + 6,
          }
        : transform

/** Dragging a row: finds the place under the pointer, and asks which address the page would get there. */
export function useDrag({ rows, scroller, enabled, marked, onDone }: Input) {
    const site = useSite()
    const { propose } = useChanges()
    const [moving, setMoving] = useState<PageRow | null>(null)
    const [target, setTarget] = useState<Target | null>(null)
    const waiting = useRef<ReturnType<typeof setTimeout>>(undefined)
    const preview = useMutation({
        mutationFn: (change: Schemas['Change']) =>
            answered(api.POST('/sites/{site}/address', { params: { path: { site: site.key } }, body: change })),
    })
    const sensors = useSensors(
        useSensor(MouseSensor, { activationConstraint: { distance: 6 } }),
        useSensor(TouchSensor, { activationConstraint: { delay: 250, tolerance: 8 } }),
    )

    const end = () => {
        clearTimeout(waiting.current)
        setMoving(null)
        setTarget(null)
        preview.reset()
    }
    const aim = (event: DragMoveEvent) => {
        const found = enabled && moving !== null ? targetUnder(event, rows, scroller.current, moving) : null
        if (found?.row.key === target?.row.key && found?.spot === target?.spot) return
        setTarget(found)
        preview.reset()
        clearTimeout(waiting.current)
        if (found !== null && moving !== null) {
            const change: Schemas['Change'] = {
                kind: 'move',
                page: moving.page.id,
                place: placeAt(found.row.page, found.spot),
            }
            waiting.current = setTimeout(() => preview.mutate(change), 90)
        }
    }
    const drop = () => {
        if (moving !== null && target !== null) {
            const together = marked.length > 1 && marked.includes(moving.key)
            void propose({
                title: `Moving ${together ? `${marked.length} pages` : moving.page.name} ${placeWords(target.row.page, target.spot)}`,
                act: 'Move',
                batch: {
                    changes: [
                        {
                            kind: 'move',
                            ...(together ? { pages: marked } : { page: moving.page.id }),
                            place: placeAt(target.row.page, target.spot),
                        },
                    ],
                },
                done: together ? onDone : undefined,
            })
        }
        end()
    }
    const context: DndContextProps = {
        sensors,
        autoScroll: { threshold: { x: 0, y: 0.15 } },
        onDragStart: ({ active }) =>
            setMoving(rows.find((row): row is PageRow => row.kind === 'page' && row.key === active.id) ?? null),
        onDragMove: aim,
        onDragEnd: drop,
        onDragCancel: end,
    }
    return { context, moving, target, answer: preview.data }
}

function targetUnder(event: DragMoveEvent, rows: Row[], scroller: HTMLElement | null, moving: PageRow): Target | null {
    const start = event.activatorEvent
    const y =
        start instanceof MouseEvent
            ? start.clientY
            : 'touches' in start
              ? ((start as TouchEvent).touches[0]?.clientY ?? 0)
              : 0
    if (scroller === null) return null
    // Movement counts from where the pointer went down; scrolling meanwhile is part of delta already.
    const box = scroller.getBoundingClientRect()
    const scrolled = scroller.scrollTop
    const pointer = y + event.delta.y
    const within = pointer - box.top + scrolled
    const index = Math.floor(within / ROW)
    const row = rows[index]
    if (row?.kind !== 'page' || row.key === moving.key || isInside(row, moving, rows)) return null
    const part = (within - index * ROW) / ROW
    return { row, index, spot: part < 0.28 ? 'before' : part > 0.72 && !row.open ? 'after' : 'inside' }
}

function isInside(row: PageRow, branch: PageRow, rows: Row[]) {
    let parent = row.page.parent
    while (parent !== null) {
        if (parent === branch.page.id) return true
        const above = rows.find(other => other.key === parent)
        parent = above?.kind === 'page' ? above.page.parent : null
    }
    return false
}
