import { DndContext, PointerSensor, useDraggable, useDroppable, useSensor, useSensors, type DragEndEvent, type DragMoveEvent } from '@dnd-kit/core'
import clsx from 'clsx'
import { GripVertical } from 'lucide-react'
import { useRef, useState, type KeyboardEvent } from 'react'
import type { Schemas } from '../../api/client'
import { find, holds, lines, nameOf, put, step, without, type Entry, type Line, type Step } from './arrangement'
import { audienceWords, hiddenWords, kindWord } from './words'

type Props = { entries: Entry[]; active: string | undefined; shown: Map<string, Schemas['ShownEntry']>; writes: boolean; onActive: (entry: string) => void; onArrange: (entries: Entry[]) => void; onOut: (entry: string) => void }
type Drop = { id: string; where: 'before' | 'after' | 'inside' } | null

/** The entries as they are set, one a row: worked by keys and by dragging. */
export function EntryTree({ entries, active, shown, writes, onActive, onArrange, onOut }: Props) {
    const all = lines(entries)
    const list = useRef<HTMLDivElement>(null)
    const [drop, setDrop] = useState<Drop>(null)
    const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 5 } }))
    const typed = (event: KeyboardEvent) => {
        const at = all.findIndex(line => line.entry.id === active)
        const to: Partial<Record<string, Step>> = { ArrowUp: 'up', ArrowDown: 'down', ArrowRight: 'in', ArrowLeft: 'out' }
        const doing = event.altKey ? to[event.key] : undefined
        if (doing !== undefined && active !== undefined && writes) onArrange(step(entries, active, doing))
        else if (event.key === 'ArrowDown' || event.key === 'ArrowUp') onActive(all[Math.max(0, Math.min(all.length - 1, at + (event.key === 'ArrowDown' ? 1 : -1)))]?.entry.id ?? '')
        else if (event.key === 'Delete' && active !== undefined && writes) onOut(active)
        else return
        event.preventDefault()
    }
    const moved = ({ active: dragged, over, activatorEvent, delta }: DragMoveEvent) => {
        if (over === null || over.id === dragged.id || !(activatorEvent instanceof PointerEvent)) return setDrop(null)
        const target = find(entries, String(over.id))
        if (target === undefined || find([find(entries, String(dragged.id))?.entry ?? target.entry], String(over.id)) !== undefined) return setDrop(null)
        const y = activatorEvent.clientY + delta.y - over.rect.top
        const inside = holds(target.entry) && y > over.rect.height * 0.3 && y < over.rect.height * 0.7
        setDrop({ id: String(over.id), where: inside ? 'inside' : y < over.rect.height / 2 ? 'before' : 'after' })
    }
    const dropped = ({ active: dragged }: DragEndEvent) => {
        const line = find(entries, String(dragged.id))
        setDrop(null)
        if (line === undefined || drop === null) return
        const rest = without(entries, line.entry.id)
        const target = find(rest, drop.id)
        if (target === undefined) return
        onArrange(drop.where === 'inside' ? put(rest, line.entry, drop.id, (target.entry.entries ?? []).length) : put(rest, line.entry, target.parent, target.index + (drop.where === 'after' ? 1 : 0)))
    }
    return (
        <DndContext sensors={sensors} onDragMove={moved} onDragEnd={dropped} onDragCancel={() => setDrop(null)}>
            <div ref={list} role="tree" aria-label="Entries" tabIndex={0} aria-activedescendant={active === undefined ? undefined : `entry-${active}`} onKeyDown={typed} onFocus={event => event.target === event.currentTarget && active === undefined && all[0] !== undefined && onActive(all[0].entry.id)} className="outline-none focus-visible:shadow-[inset_0_0_0_2px_var(--heron)]">
                {all.map(line => (
                    <Row key={line.entry.id} line={line} isActive={line.entry.id === active} shown={shown.get(line.entry.id)} drop={drop?.id === line.entry.id ? drop.where : null} writes={writes} onActive={() => { list.current?.focus(); onActive(line.entry.id) }} />
                ))}
            </div>
        </DndContext>
    )
}

function Row({ line: { entry, level, index }, isActive, shown, drop, writes, onActive }: { line: Line; isActive: boolean; shown: Schemas['ShownEntry'] | undefined; drop: NonNullable<Drop>['where'] | null; writes: boolean; onActive: () => void }) {
    const { setNodeRef: setDropRef } = useDroppable({ id: entry.id })
    const { setNodeRef, listeners, isDragging } = useDraggable({ id: entry.id, disabled: !writes })
    const says = [entry.newWindow === true && 'new window', entry.audience !== undefined && audienceWords(entry.audience), entry.kind === 'branch' && branchWords(entry)].filter(Boolean).join(' · ')
    return (
        <div
            ref={node => { setNodeRef(node); setDropRef(node) }}
            {...listeners}
            id={`entry-${entry.id}`}
            role="treeitem"
            aria-level={level}
            aria-posinset={index + 1}
            aria-selected={isActive}
            onClick={onActive}
            className={clsx('group grid h-8 cursor-default grid-cols-[minmax(0,1fr)_minmax(0,1fr)_minmax(0,150px)] items-center gap-3 px-4', isActive ? 'bg-heron-soft shadow-[inset_3px_0_var(--heron)]' : 'hover:bg-sunk', isDragging && 'opacity-40', drop === 'inside' && 'outline outline-2 outline-heron', drop === 'before' && 'shadow-[inset_0_2px_var(--heron)]', drop === 'after' && 'shadow-[inset_0_-2px_var(--heron)]')}
        >
            <span className="flex min-w-0 items-center" style={{ paddingLeft: (level - 1) * 22 }}>
                <GripVertical size={14} aria-hidden className={clsx('-ml-1.5 shrink-0 text-ink-3', writes ? 'opacity-0 group-hover:opacity-100' : 'invisible')} />
                <span className={clsx('truncate', entry.kind === 'separator' ? 'text-ink-3' : 'font-medium', entry.kind === 'heading' && 'text-ink-2')}>{nameOf(entry)}</span>
                {entry.kind !== 'page' && entry.kind !== 'separator' && <span className="ml-2 shrink-0 text-[12px] text-ink-3">{kindWord(entry.kind)}</span>}
            </span>
            <span className="truncate font-mono text-[12px] text-ink-2">{entry.kind === 'page' || entry.kind === 'address' || entry.kind === 'url' ? (entry.url ?? shown?.href ?? entry.address ?? '') : ''}{says !== '' && <span className="font-sans text-ink-3"> {says}</span>}</span>
            <span className="truncate text-right text-[12px] text-amber">{shown !== undefined && shown.hidden !== null ? hiddenWords(shown, entry.audience) : ''}</span>
        </div>
    )
}

function branchWords({ depth = 1, order, exceptions }: Entry) {
    return `${depth === 1 ? 'one level' : `${depth} levels`}${order === 'a-z' ? ', A–Z' : ''}${exceptions !== undefined && exceptions.length > 0 ? `, ${exceptions.length} left out` : ''}`
}
