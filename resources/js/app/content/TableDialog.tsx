import { useState } from 'react'
import { Choice } from '../../ui/Choice'
import { Field } from '../../ui/Field'
import type { TableAttrs } from './blocks'
import { DialogForm } from './DialogForm'

type Size = { rows: number; columns: number }
type Props = { table: TableAttrs; isNew: boolean; onClose: () => void; onTake: (table: TableAttrs, size: Size) => void }

/** What a table says of itself: its caption, and whether its first row or column is a head; of a new one its size too. */
export function TableDialog({ table: given, isNew, onClose, onTake }: Props) {
    const [table, setTable] = useState<TableAttrs>({
        caption: given.caption,
        headRow: given.headRow,
        headColumn: given.headColumn,
    })
    const [size, setSize] = useState({ rows: 3, columns: 3 })
    const fits = size.rows >= 1 && size.rows <= 100 && size.columns >= 1 && size.columns <= 20
    const number = (label: string, part: keyof Size, max: number) => (
        <Field
            stacked
            label={label}
            type="number"
            min={1}
            max={max}
            value={size[part]}
            onChange={event => setSize({ ...size, [part]: Number(event.target.value) })}
        />
    )
    return (
        <DialogForm
            title="Table"
            act={isNew ? 'Insert table' : 'Use these'}
            disabled={isNew && !fits}
            onClose={onClose}
            onSubmit={() => onTake({ ...table, caption: table.caption.trim() }, size)}
        >
            {isNew && (
                <div className="grid grid-cols-2 gap-3">
                    {number('Rows', 'rows', 100)}
                    {number('Columns', 'columns', 20)}
                </div>
            )}
            <Field
                stacked
                autoFocus
                label="Caption"
                value={table.caption}
                maxLength={500}
                hint="What the table shows, for everybody who meets it."
                onChange={event => setTable({ ...table, caption: event.target.value })}
            />
            <Choice checked={table.headRow} onChange={event => setTable({ ...table, headRow: event.target.checked })}>
                The first row says what the columns hold
            </Choice>
            <Choice
                checked={table.headColumn}
                onChange={event => setTable({ ...table, headColumn: event.target.checked })}
            >
                The first column says what the rows hold
            </Choice>
        </DialogForm>
    )
}
