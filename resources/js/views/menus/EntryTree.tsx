import { useDraggable, useDroppable } from '@dnd-kit/core'
import clsx from 'clsx'
import { GripVertical } from 'lucide-react'
import { useRef, useState, type KeyboardEvent, type MouseEvent } from 'react'
import type { Schemas } from '../../api/client'
import { lines, nameOf, stepAll, withoutAll, type Entry, type Line, type Spot, type Step } from './arrangement'
import { audienceWords, hiddenWords, kindWord } from './labels'

type Marks = ReadonlySet<string>
type Props = {
    entries: Entry[]
    active: string | undefined
    marks: Marks
    spot: Spot | null
    shown: Map<string, Schemas['ShownEntry']>
    writes: boolean
    onActive: (entry: string) => void
    onMarks: (marks: Marks) => void
    onArrange: (entries: Entry[]) => void
}

/** The entries as they are set, one a row: worked by keys and by dragging, several at once where they are marked. */
export function EntryTree({ entries, active, marks, spot, shown, writes, onActive, onMarks, onArrange }: Props) {
    const all = lines(entries)
    const list = useRef<HTMLDivElement>(null)
    const [anchor, setAnchor] = useState<string>()
    const { setNodeRef: setEndRef, isOver } = useDroppable({ id: 'end', data: { end: true } })
    const turn = (id: string) =>
        onMarks(marks.has(id) ? new Set([...marks].filter(each => each !== id)) : new Set([...marks, id]))
    const range = (to: string) => {
        const [a, b] = [
            all.findIndex(line => line.entry.id === (anchor ?? active)),
            all.findIndex(line => line.entry.id === to),
        ]
        onMarks(new Set(all.slice(Math.min(Math.max(a, 0), b), Math.max(a, b) + 1).map(line => line.entry.id)))
    }
    const go = (id: string | undefined, isRange: boolean) => {
        if (id === undefined) return
        if (isRange) {
            setAnchor(anchor ?? active)
            range(id)
        } else setAnchor(undefined)
        onActive(id)
    }
    const typed = (event: KeyboardEvent) => {
        const at = all.findIndex(line => line.entry.id === active)
        const to: Partial<Record<string, Step>> = {
            ArrowUp: 'up',
            ArrowDown: 'down',
            ArrowRight: 'in',
            ArrowLeft: 'out',
        }
        const doing = event.altKey ? to[event.key] : undefined
        const several = active === undefined ? marks : marks.size > 0 ? marks : new Set([active])
        if (doing !== undefined && several.size > 0 && writes) onArrange(stepAll(entries, several, doing))
        else if (event.key === 'ArrowDown' || event.key === 'ArrowUp')
            go(
                all[Math.max(0, Math.min(all.length - 1, at + (event.key === 'ArrowDown' ? 1 : -1)))]?.entry.id,
                event.shiftKey,
            )
        else if (event.key === ' ' && active !== undefined) turn(active)
        else if (event.key === 'Escape' && marks.size > 0) onMarks(new Set())
        else if (event.key === 'Delete' && several.size > 0 && writes) onArrange(withoutAll(entries, several))
        else return
        event.preventDefault()
    }
    const clicked = (event: MouseEvent, id: string) => {
        list.current?.focus()
        if (event.shiftKey) return go(id, true)
        if (event.ctrlKey || event.metaKey) turn(id)
        else if (marks.size > 0) onMarks(new Set())
        go(id, false)
    }
    return (
        <>
            <div
                ref={list}
                role="tree"
                aria-label="Entries"
                aria-multiselectable
                tabIndex={0}
                aria-activedescendant={active === undefined ? undefined : `entry-${active}`}
                onKeyDown={typed}
                onFocus={event =>
                    event.currentTarget.matches(':focus-visible') &&
                    event.target === event.currentTarget &&
                    active === undefined &&
                    all[0] !== undefined &&
                    onActive(all[0].entry.id)
                }
                className="outline-none focus-visible:shadow-[inset_0_0_0_2px_var(--heron)]"
            >
                {all.map(line => (
                    <Row
                        key={line.entry.id}
                        line={line}
                        isActive={line.entry.id === active}
                        isMarked={marks.has(line.entry.id)}
                        shown={shown.get(line.entry.id)}
                        drop={spot?.id === line.entry.id ? spot.where : null}
                        writes={writes}
                        onClick={event => clicked(event, line.entry.id)}
                    />
                ))}
            </div>
            {/* The ground below the entries takes what is dropped there at the end. */}
            <div
                ref={setEndRef}
                className={clsx('min-h-16', isOver && spot === null && 'shadow-[inset_0_2px_var(--heron)]')}
            />
        </>
    )
}

function Row({
    line: { entry, level, index },
    isActive,
    isMarked,
    shown,
    drop,
    writes,
    onClick,
}: {
    line: Line
    isActive: boolean
    isMarked: boolean
    shown: Schemas['ShownEntry'] | undefined
    drop: Spot['where'] | null
    writes: boolean
    onClick: (event: MouseEvent) => void
}) {
    const { setNodeRef: setDropRef } = useDroppable({ id: entry.id })
    const { setNodeRef, listeners, isDragging } = useDraggable({ id: entry.id, disabled: !writes })
    const says = [
        entry.newWindow === true && 'new window',
        entry.audience !== undefined && audienceWords(entry.audience),
        entry.kind === 'branch' && branchWords(entry),
    ]
        .filter(Boolean)
        .join(' · ')
    return (
        <div
            ref={node => {
                setNodeRef(node)
                setDropRef(node)
            }}
            {...listeners}
            id={`entry-${entry.id}`}
            role="treeitem"
            aria-level={level}
            aria-posinset={index + 1}
            aria-selected={isActive || isMarked}
            onClick={onClick}
            className={clsx(
                'group grid h-8 cursor-default grid-cols-[minmax(0,1fr)_minmax(0,1fr)_minmax(0,150px)] items-center gap-3 px-4',
                isMarked && 'bg-reed-soft',
                isActive ? 'bg-heron-soft shadow-[inset_3px_0_var(--heron)]' : !isMarked && 'hover:bg-sunk',
                isDragging && 'opacity-40',
                drop === 'inside' && 'outline outline-2 outline-heron',
                drop === 'before' && 'shadow-[inset_0_2px_var(--heron)]',
                drop === 'after' && 'shadow-[inset_0_-2px_var(--heron)]',
            )}
        >
            <span className="flex min-w-0 items-center" style={{ paddingLeft: (level - 1) * 22 }}>
                <GripVertical
                    size={14}
                    aria-hidden
                    className={clsx(
                        '-ml-1.5 shrink-0 text-ink-3',
                        writes ? 'opacity-0 group-hover:opacity-100' : 'invisible',
                    )}
                />
                {isMarked && <span className="sr-only">marked </span>}
                <span
                    className={clsx(
                        'truncate',
                        entry.kind === 'separator' ? 'text-ink-3' : 'font-medium',
                        entry.kind === 'heading' && 'text-ink-2',
                    )}
                >
                    {nameOf(entry)}
                </span>
                {entry.kind !== 'page' && entry.kind !== 'separator' && (
                    <span className="ml-2 shrink-0 text-[12px] text-ink-3">{kindWord(entry.kind)}</span>
                )}
            </span>
            <span className="truncate font-mono text-[12px] text-ink-2">
                {entry.kind === 'page' || entry.kind === 'address' || entry.kind === 'url'
                    ? (entry.url ?? shown?.href ?? entry.address ?? '')
                    : ''}
                {entry.kind === 'file' && <span className="font-sans">{entry.fileName ?? 'a file that is gone'}</span>}
                {says !== '' && <span className="font-sans text-ink-3"> {says}</span>}
            </span>
            <span className="truncate text-right text-[12px] text-amber">
                {shown !== undefined && shown.hidden !== null ? hiddenWords(shown, entry.audience) : ''}
            </span>
        </div>
    )
}

function branchWords({ depth = 1, order, exceptions }: Entry) {
    return `${depth === 1 ? 'one level' : `${depth} levels`}${order === 'a-z' ? ', A–Z' : ''}${exceptions !== undefined && exceptions.length > 0 ? `, ${exceptions.length} left out` : ''}`
}
