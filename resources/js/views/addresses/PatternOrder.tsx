import { DndContext, PointerSensor, useDraggable, useDroppable, useSensor, useSensors } from '@dnd-kit/core'
import { useQuery } from '@tanstack/react-query'
import clsx from 'clsx'
import { GripVertical } from 'lucide-react'
import { useState, type KeyboardEvent } from 'react'
import { patternsQuery, type Pattern } from '../../api/addressQueries'
import { useChanges } from '../../app/changes'
import { useSite } from '../../app/site'
import { Button } from '../../ui/Button'
import { Modal } from '../../ui/Modal'
import { Alert } from '../../ui/Alert'
import { DialogActions } from '../../ui/DialogActions'

/** The order in which patterns are tried: dragged, or moved with Alt and the arrows; made as one change. */
export function PatternOrder({ onClose }: { onClose: () => void }) {
    const site = useSite()
    const { data: patterns, error } = useQuery(patternsQuery(site.key))
    return (
        <Modal
            open
            onClose={onClose}
            title="Order of patterns"
            description="The first that matches a request answers it. Drag a pattern, or move it with Alt and the arrow keys."
            width={560}
        >
            {error !== null && <Alert>{error.message}</Alert>}
            {patterns !== undefined && <Ordered first={patterns} onClose={onClose} />}
        </Modal>
    )
}

function Ordered({ first, onClose }: { first: Pattern[]; onClose: () => void }) {
    const { propose } = useChanges()
    const [order, setOrder] = useState(first)
    const [said, say] = useState('')
    const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 4 } }))
    const isChanged = order.some((each, n) => each.id !== first[n]?.id)
    const move = (from: number, to: number) => {
        const pattern = order[from]
        if (pattern === undefined || to < 0 || to >= order.length || from === to) return
        setOrder([...order.slice(0, from), ...order.slice(from + 1)].toSpliced(to, 0, pattern))
        say(`${pattern.source} is tried as number ${to + 1}.`)
    }
    const at = (id: unknown) => order.findIndex(each => each.id === id)
    const make = () => {
        onClose()
        void propose({
            title: 'Setting the order of patterns',
            act: 'Set the order',
            batch: { changes: [{ kind: 'order-patterns', redirects: order.map(each => each.id) }] },
            now: true,
        })
    }
    return (
        <>
            <DndContext
                sensors={sensors}
                onDragEnd={({ active, over }) => over !== null && move(at(active.id), at(over.id))}
            >
                <ol className="max-h-[48vh] overflow-y-auto border-y border-line">
                    {order.map((each, n) => (
                        <PatternRow key={each.id} pattern={each} place={n + 1} onMove={by => move(n, n + by)} />
                    ))}
                </ol>
            </DndContext>
            <p role="status" className="sr-only">
                {said}
            </p>
            <DialogActions className="mt-4">
                <Button onClick={onClose}>Cancel</Button>
                <Button variant="main" disabled={!isChanged} onClick={make}>
                    Set the order
                </Button>
            </DialogActions>
        </>
    )
}

function PatternRow({ pattern, place, onMove }: { pattern: Pattern; place: number; onMove: (by: number) => void }) {
    const { setNodeRef: drag, listeners, transform, isDragging } = useDraggable({ id: pattern.id })
    const { setNodeRef: drop, isOver } = useDroppable({ id: pattern.id })
    const typed = (event: KeyboardEvent) => {
        if (!event.altKey || (event.key !== 'ArrowUp' && event.key !== 'ArrowDown')) return
        event.preventDefault()
        onMove(event.key === 'ArrowUp' ? -1 : 1)
    }
    return (
        <li
            ref={drop}
            className={clsx('border-t border-line first:border-t-0', isOver && !isDragging && 'bg-heron-soft')}
        >
            <button
                ref={drag}
                type="button"
                {...listeners}
                onKeyDown={typed}
                style={transform === null ? undefined : { transform: `translateY(${transform.y}px)` }}
                className={clsx(
                    'flex h-9 w-full cursor-grab items-center gap-2.5 px-1 text-left',
                    isDragging && 'relative z-10 bg-sheet shadow-float',
                )}
            >
                <GripVertical size={14} aria-hidden className="shrink-0 text-ink-3" />
                <span className="w-6 shrink-0 text-right text-ink-3 tabular-nums">{place}</span>
                <span className="min-w-0 flex-1 truncate font-mono text-[13px]">{pattern.source}</span>
                <span className="max-w-[180px] truncate text-[13px] text-ink-3">{pattern.note}</span>
            </button>
        </li>
    )
}
