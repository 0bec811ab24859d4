import { DndContext, PointerSensor, useDraggable, useDroppable, useSensor, useSensors } from '@dnd-kit/core'
import clsx from 'clsx'
import { GripVertical, X } from 'lucide-react'
import { useRef, useState, type KeyboardEvent } from 'react'
import { Button } from '../../ui/Button'
import { IconButton } from '../../ui/IconButton'
import { Muted } from '../../ui/Muted'
import { FieldControl } from './FieldControl'
import { rowsOf, type LayoutField, type Refusals, type Row } from './values'

type Props = { field: LayoutField; value: unknown; onChange: (value: Row[]) => void; refused: Refusals }

/** Where every column is a line, rows stand under each other like a table; pictures and paragraphs take a width of their own. */
const isTable = (columns: LayoutField[]) =>
    columns.length <= 4 && columns.every(({ kind }) => kind !== 'picture' && kind !== 'long-text')
/** Those that need a line of their own; of two lines of short ones, each takes half. */
const isWide = ({ kind }: LayoutField, columns: LayoutField[]) =>
    columns.length <= 3 || kind === 'picture' || kind === 'long-text'
const widthOf = ({ kind }: LayoutField) => (kind === 'number' || kind === 'money' ? '60px' : 'minmax(0,1fr)')
const unitOf = ({ unit, currency }: LayoutField) => (unit + currency === '' ? '' : ` (${unit}${currency})`)

/** The rows of a field: typed into like a small table, put in order by dragging or with Alt and the arrows. */
export function RowsControl({ field, value, onChange, refused }: Props) {
    const rows = rowsOf(value)
    const [said, say] = useState('')
    const list = useRef<HTMLUListElement>(null)
    const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 4 } }))
    const move = (from: number, to: number) => {
        const row = rows[from]
        if (row === undefined || to < 0 || to >= rows.length || from === to) return
        onChange(rows.toSpliced(from, 1).toSpliced(to, 0, row))
        say(`Row ${from + 1} is row ${to + 1} now.`)
    }
    const add = () => {
        onChange([...rows, {}])
        // The new row is there once it is drawn.
        requestAnimationFrame(() =>
            list.current?.querySelector<HTMLElement>('li:last-child :is(input, select, button[id])')?.focus(),
        )
    }
    const set = (at: number, key: string, cell: unknown) => onChange(rows.with(at, { ...rows[at], [key]: cell }))
    return (
        <div className="grid gap-1.5">
            {rows.length > 0 &&
                field.columns.map(
                    column =>
                        column.description !== '' && (
                            <Muted key={column.key} small>
                                <b>{column.title}.</b> {column.description}
                            </Muted>
                        ),
                )}
            {rows.length === 0 && (
                <Muted small>
                    {field.empty === '' ? 'No rows yet.' : `No rows yet. Visitors read: “${field.empty}”`}
                </Muted>
            )}
            <DndContext
                sensors={sensors}
                onDragEnd={({ active, over }) => over !== null && move(Number(active.id), Number(over.id))}
            >
                {isTable(field.columns) && rows.length > 0 && (
                    <div
                        aria-hidden
                        className="grid gap-1.5 pr-[34px] pl-5 text-[12px] text-ink-3"
                        style={{ gridTemplateColumns: field.columns.map(widthOf).join(' ') }}
                    >
                        {field.columns.map(column => (
                            <span
                                key={column.key}
                                className={clsx('truncate', widthOf(column) === '60px' && 'text-right')}
                            >
                                {column.title}
                                {column.unit !== '' && unitOf(column)}
                            </span>
                        ))}
                    </div>
                )}
                <ul ref={list} aria-label={field.title} className="border-t border-line empty:hidden">
                    {rows.map((row, at) => (
                        <RowLine
                            key={at}
                            at={at}
                            field={field}
                            row={row}
                            refused={refused}
                            onSet={(key, cell) => set(at, key, cell)}
                            onMove={by => move(at, at + by)}
                            onRemove={() => onChange(rows.toSpliced(at, 1))}
                        />
                    ))}
                </ul>
            </DndContext>
            <div>
                <Button onClick={add}>Add a row</Button>
            </div>
            <p role="status" className="sr-only">
                {said}
            </p>
        </div>
    )
}

type LineProps = {
    at: number
    field: LayoutField
    row: Row
    refused: Refusals
    onSet: (key: string, cell: unknown) => void
    onMove: (by: number) => void
    onRemove: () => void
}

function RowLine({ at, field, row, refused, onSet, onMove, onRemove }: LineProps) {
    const { setNodeRef: drag, listeners, transform, isDragging } = useDraggable({ id: at })
    const { setNodeRef: drop, isOver } = useDroppable({ id: at })
    const pressed = (event: KeyboardEvent) => {
        if (!event.altKey || (event.key !== 'ArrowUp' && event.key !== 'ArrowDown')) return
        event.preventDefault()
        onMove(event.key === 'ArrowUp' ? -1 : 1)
    }
    const table = isTable(field.columns)
    const errors = field.columns.flatMap(({ key }) => refused[`${field.key}.${at}.${key}`] ?? [])
    return (
        <li
            ref={drop}
            onKeyDown={pressed}
            style={transform === null ? undefined : { transform: `translateY(${transform.y}px)` }}
            className={clsx(
                'flex items-start gap-1 border-b border-line py-1.5',
                isOver && !isDragging && 'bg-heron-soft',
                isDragging && 'relative z-10 bg-sheet shadow-float',
            )}
        >
            <button
                ref={drag}
                type="button"
                {...listeners}
                aria-label={`Row ${at + 1}. Drag it, or move it with Alt and the arrow keys.`}
                className="mt-1 grid h-6 w-4 shrink-0 cursor-grab place-items-center text-ink-3"
            >
                <GripVertical size={14} aria-hidden />
            </button>
            <div
                className="grid min-w-0 flex-1 gap-1.5"
                style={{
                    gridTemplateColumns: table ? field.columns.map(widthOf).join(' ') : 'repeat(2, minmax(0, 1fr))',
                }}
            >
                {field.columns.map(column => {
                    const error = refused[`${field.key}.${at}.${column.key}`]
                    return (
                        <label
                            key={column.key}
                            className={clsx(
                                'block min-w-0',
                                !table && isWide(column, field.columns) && 'col-span-full',
                            )}
                        >
                            {!table && (
                                <span className="block text-[12px] leading-4 text-ink-3">
                                    {column.title}
                                    {unitOf(column)}
                                </span>
                            )}
                            <FieldControl
                                field={column}
                                value={row[column.key]}
                                onChange={cell => onSet(column.key, cell)}
                                error={error}
                                label={`${column.title}, row ${at + 1}`}
                            />
                        </label>
                    )
                })}
                {errors.length > 0 && (
                    <p role="alert" className="col-span-full text-[12px] text-berry">
                        {errors.join(' ')}
                    </p>
                )}
            </div>
            <IconButton aria-label={`Remove row ${at + 1}`} onClick={onRemove} className="text-ink-2">
                <X size={15} aria-hidden />
            </IconButton>
        </li>
    )
}
