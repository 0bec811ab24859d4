import { keepPreviousData, useMutation, useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { Button } from '../ui/Button'
import { count } from '../ui/count'
import { download } from '../ui/download'
import { Modal } from '../ui/Modal'
import { useDebounced } from '../ui/useDebounced'
import { Consequence } from './Consequence'
import type { ListGroup, RowSource } from './rippleRows'
import { Alert } from '../ui/Alert'

const PIECE = 200

/** The complete list of one kind of consequence: filtered as one types, in pieces, or as CSV. */
export function RippleList({
    group,
    source,
    title,
    onClose,
}: {
    group: ListGroup
    source: NonNullable<RowSource>
    title: string
    onClose: () => void
}) {
    const [text, setText] = useState('')
    const [offset, setOffset] = useState(0)
    const asked = useDebounced(text.trim(), 150)
    const { data, error } = useQuery({
        queryKey: ['rows', source.key, group, asked, offset],
        queryFn: () => source.read(group, asked, offset),
        placeholderData: keepPreviousData,
    })
    const saving = useMutation({
        mutationFn: () => source.csv(group),
        onSuccess: file => download(file, `${group}.csv`),
    })
    const total = data?.total ?? 0
    return (
        <Modal open onClose={onClose} title={`${total.toLocaleString('en-GB')} ${title}`} width={780}>
            <div className="mb-3 flex items-center gap-2">
                <input
                    type="search"
                    autoFocus
                    aria-label="Filter the list"
                    placeholder="Filter by name or address"
                    value={text}
                    onChange={event => {
                        setText(event.target.value)
                        setOffset(0)
                    }}
                    className="h-[30px] w-full rounded-[5px] border border-edge bg-sheet px-2.5"
                />
                <Button disabled={saving.isPending} onClick={() => saving.mutate()}>
                    Download CSV
                </Button>
            </div>
            {(error ?? saving.error) !== null && <Alert>{(error ?? saving.error)?.message}</Alert>}
            <ul className="grid max-h-[46vh] gap-1 overflow-y-auto" tabIndex={0} aria-label={title}>
                {data?.rows.map((row, i) => (
                    <li key={i}>
                        <Consequence row={row} group={group} />
                    </li>
                ))}
            </ul>
            <div className="mt-3 flex items-center gap-2 text-ink-2">
                <p role="status">
                    {total === 0
                        ? 'No rows match.'
                        : `${offset + 1} to ${Math.min(total, offset + PIECE)} of ${count(total, 'row')}`}
                </p>
                <span className="ml-auto" />
                {total > PIECE && (
                    <>
                        <Button disabled={offset === 0} onClick={() => setOffset(offset - PIECE)}>
                            Back
                        </Button>
                        <Button disabled={offset + PIECE >= total} onClick={() => setOffset(offset + PIECE)}>
                            On
                        </Button>
                    </>
                )}
                <Button onClick={onClose}>Close the list</Button>
            </div>
        </Modal>
    )
}
