import { useState } from 'react'
import { Button } from '../../ui/Button'
import { DialogActions } from '../../ui/DialogActions'
import { count } from '../../ui/count'
import { Field, FieldFrame } from '../../ui/Field'
import { Modal } from '../../ui/Modal'
import { Muted } from '../../ui/Muted'
import { Select } from '../../ui/Select'
import { replaced, valueOf, type Cell, type Column, type Edits, type Row } from './gridEdits'

type Props = { rows: Row[]; edits: Edits; onReplace: (cells: Cell[]) => void; onClose: () => void }

/** Finds a text in a column and replaces it; every place is seen before. Nothing is saved by it. */
export function FindReplace({ rows, edits, onReplace, onClose }: Props) {
    const [column, setColumn] = useState<Column>('searchTitle')
    const [find, setFind] = useState('')
    const [by, setBy] = useState('')
    const cells = replaced(edits, rows, column, find, by)
    return (
        <Modal open onClose={onClose} title="Find and replace" width={620}>
            <form
                className="grid gap-3"
                onSubmit={event => {
                    event.preventDefault()
                    onReplace(cells)
                    onClose()
                }}
            >
                <FieldFrame stacked label="In">
                    {({ id }) => (
                        <Select
                            id={id}
                            value={column}
                            choices={[
                                ['searchTitle', 'Search titles'],
                                ['searchDescription', 'Search descriptions'],
                            ]}
                            onChoose={setColumn}
                        />
                    )}
                </FieldFrame>
                <Field stacked label="Find" autoFocus value={find} onChange={event => setFind(event.target.value)} />
                <Field stacked label="Replace by" value={by} onChange={event => setBy(event.target.value)} />
                <Muted small>
                    {find === ''
                        ? `Of the ${count(rows.length, 'row')} that the filter finds, those with a text of their own are looked at.`
                        : `${count(cells.length, 'cell')} would change.`}
                </Muted>
                <ul aria-label="What would change" className="max-h-[220px] overflow-y-auto">
                    {cells.slice(0, 100).map(cell => (
                        <li key={cell.row.id} className="border-t border-line py-1 text-[13px]">
                            <span className="block truncate text-ink-3 line-through">
                                {valueOf(edits, cell.row, column)}
                            </span>
                            <span className="block truncate">{cell.value}</span>
                        </li>
                    ))}
                </ul>
                <DialogActions>
                    <Button onClick={onClose}>Cancel</Button>
                    <Button type="submit" variant="main" disabled={cells.length === 0}>
                        Replace in {count(cells.length, 'cell')}
                    </Button>
                </DialogActions>
            </form>
        </Modal>
    )
}
