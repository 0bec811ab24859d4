import { useMutation } from '@tanstack/react-query'
import { useState } from 'react'
import type { Schemas } from '../api/client'
import { useChanges } from './changes'
import { Alert } from '../ui/Alert'
import { Button } from '../ui/Button'
import { DialogActions } from '../ui/DialogActions'
import { count } from '../ui/count'
import { fileLook, inputClasses } from '../ui/Field'
import { Modal } from '../ui/Modal'
import { Muted } from '../ui/Muted'
import { useKept } from '../ui/useKept'

type Props = {
    title: string
    about: string
    example: string
    /** Under which name what was pasted is kept in this tab. */
    keptAs: string
    /** What is brought in, after “Importing”. */
    what: string
    read: (table: string) => Promise<Schemas['SearchFileRead']>
    onClose: () => void
}

/** A table about pages: tried first, with a word on every row, then made as one change. */
export function BringInTable({ title, about, example, keptAs, what, read: readTable, onClose }: Props) {
    const { propose } = useChanges()
    const [text, keep] = useKept<string>(keptAs, '')
    const [onlyRefused, setOnlyRefused] = useState(true)
    const tried = useMutation({ mutationFn: readTable })
    const { data } = tried
    const rows = (data?.rows ?? []).filter(row => !onlyRefused || row.reason !== null)
    return (
        <Modal open onClose={onClose} title={title} width={720}>
            <div className="grid gap-3">
                <Muted>{about} A column that is missing leaves its field as it is.</Muted>
                <textarea
                    aria-label="Table"
                    rows={6}
                    value={text}
                    placeholder={example}
                    onChange={event => {
                        keep(event.target.value)
                        tried.reset()
                    }}
                    className={`${inputClasses} resize-y font-mono text-[12px]`}
                />
                <input
                    type="file"
                    aria-label="File with the table"
                    accept=".csv,.tsv,.txt,.jsonl"
                    className={fileLook}
                    onChange={event =>
                        void event.target.files?.[0]?.text().then(read => {
                            keep(read)
                            tried.mutate(read)
                        })
                    }
                />
                {tried.error !== null && <Alert>{tried.error.message}</Alert>}
                {data !== undefined && (
                    <>
                        <p role="status">
                            {count(data.pages, 'row changes its page', 'rows change their page')},{' '}
                            {data.same.toLocaleString('en-GB')} say what stands already,{' '}
                            <b className={data.refused > 0 ? 'font-semibold text-amber' : ''}>
                                {data.refused.toLocaleString('en-GB')} cannot be taken
                            </b>
                            .
                        </p>
                        <div className="flex gap-2 text-[12px]">
                            <Button variant="quiet" onClick={() => setOnlyRefused(!onlyRefused)}>
                                {onlyRefused ? 'Show all rows' : 'Show only those that cannot be taken'}
                            </Button>
                        </div>
                        <ul aria-label="Rows" className="max-h-[240px] overflow-y-auto text-[13px]">
                            {rows.slice(0, 500).map(row => (
                                <li key={row.line} className="flex gap-3 border-t border-line py-1">
                                    <span className="w-10 shrink-0 text-right text-ink-3">{row.line}</span>
                                    <span className="min-w-0 flex-1">
                                        {row.name !== '' ? row.name : row.address}{' '}
                                        <span className={row.reason === null ? 'text-ink-3' : 'text-amber'}>
                                            {row.reason === null
                                                ? row.changes
                                                    ? 'changes'
                                                    : 'stays as it is'
                                                : `${row.field ?? 'row'}: ${row.reason}`}
                                        </span>
                                    </span>
                                </li>
                            ))}
                        </ul>
                    </>
                )}
                <DialogActions>
                    <Button onClick={onClose}>Cancel</Button>
                    {data === undefined ? (
                        <Button
                            variant="main"
                            disabled={text.trim() === '' || tried.isPending}
                            onClick={() => tried.mutate(text)}
                        >
                            Try the table
                        </Button>
                    ) : (
                        <Button
                            variant="main"
                            disabled={data.pages === 0}
                            onClick={() => {
                                onClose()
                                void propose({
                                    title: `Importing ${what} of ${count(data.pages, 'page')}`,
                                    act: `Change ${count(data.pages, 'page')}`,
                                    batch: { changes: data.changes },
                                    always: true,
                                    done: () => keep(null),
                                })
                            }}
                        >
                            See what follows for {count(data.pages, 'page')}
                        </Button>
                    )}
                </DialogActions>
            </div>
        </Modal>
    )
}
