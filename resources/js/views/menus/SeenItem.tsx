import { useDraggable, useDroppable } from '@dnd-kit/core'
import clsx from 'clsx'
import type { MouseEvent } from 'react'
import type { Schemas } from '../../api/client'
import type { Seen } from './branches'
import { hiddenWords } from './labels'
import type { SeenSpot } from './useEntryDrag'

type Props = {
    one: Schemas['ShownEntry']
    strong: boolean
    /** Stands beside its siblings rather than above them. */
    across: boolean
    isChosen: boolean
    writes: boolean
    audience: string | undefined
    spot: SeenSpot | null
    onSeen: (seen: Seen) => void
    onActs: (event: MouseEvent, one: Schemas['ShownEntry']) => void
}

const marks = {
    before: ['shadow-[inset_3px_0_var(--heron)]', 'shadow-[inset_0_3px_var(--heron)]'],
    after: ['shadow-[inset_-3px_0_var(--heron)]', 'shadow-[inset_0_-3px_var(--heron)]'],
    inside: ['outline outline-2 outline-heron', 'outline outline-2 outline-heron'],
} as const

/** An item as it is seen: clicked to change it, dragged to another place, right-clicked for what can be done to it. */
export function SeenItem({ one, strong, across, isChosen, writes, audience, spot, onSeen, onActs }: Props) {
    const seen: Seen = { entry: one.entry, page: one.page }
    const id = `seen ${one.entry} ${one.page ?? ''}`
    const { setNodeRef: setDropRef } = useDroppable({ id, data: { seen, across } })
    const { setNodeRef, listeners, isDragging } = useDraggable({
        id,
        data: { seen, name: one.label },
        disabled: !writes || one.hidden === 'left-out',
    })
    const drop = spot !== null && spot.entry === one.entry && spot.page === one.page ? spot.where : null
    const node = (element: HTMLElement | null) => {
        setNodeRef(element)
        setDropRef(element)
    }
    const handles = {
        ...listeners,
        onClick: () => onSeen(seen),
        onContextMenu: (event: MouseEvent) => writes && onActs(event, one),
    }
    if (one.kind === 'separator')
        return (
            <button ref={node} type="button" aria-label="Separator" {...handles} className="block h-4 w-full py-[7px]">
                <span
                    className={clsx(
                        'block h-px bg-edge opacity-60',
                        drop !== null && 'h-[3px]! bg-heron! opacity-100!',
                    )}
                />
            </button>
        )
    return (
        <button
            ref={node}
            type="button"
            aria-pressed={isChosen}
            {...handles}
            className={clsx(
                'block max-w-full rounded px-1.5 py-0.5 text-left hover:bg-heron-soft',
                isChosen && 'bg-heron-soft shadow-[inset_2px_0_var(--heron)]',
                one.hidden !== null && 'outline outline-1 outline-offset-[-1px] outline-edge outline-dashed',
                isDragging && 'opacity-40',
                drop !== null && marks[drop][across ? 0 : 1],
            )}
        >
            <span
                className={clsx(
                    'block leading-[18px]',
                    strong && 'font-[650]',
                    one.hidden !== null && 'text-ink-3',
                    one.href === null && one.hidden === null && 'text-ink-2',
                )}
            >
                {one.label}
            </span>
            {one.hidden !== null && (
                <span className="block truncate text-[12px] leading-4 text-amber">{hiddenWords(one, audience)}</span>
            )}
        </button>
    )
}
