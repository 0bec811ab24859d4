import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { notify } from '../../app/notify'
import { answered, api, type Schemas } from '../../api/client'
import { keys } from '../../api/queries'
import { useSite } from '../../app/site'
import { Button } from '../../ui/Button'
import { count } from '../../ui/count'
import { inputClasses } from '../../ui/Field'
import { Modal } from '../../ui/Modal'
import { TextFile } from '../../ui/TextFile'
import { useKept } from '../../ui/useKept'
import { useStoppable } from '../../ui/useStoppable'
import { Alert } from '../../ui/Alert'
import { DialogActions } from '../../ui/DialogActions'

/** Brings redirects in from a table: looked over row by row, then only the good rows are made, or nothing. */
export function BringIn({ onClose }: { onClose: () => void }) {
    const site = useSite()
    const queries = useQueryClient()
    const [text, setText] = useKept(`heronstem import ${site.key}`, '')
    const ask = (make: 'good' | undefined, signal?: AbortSignal) =>
        answered(
            api.POST('/sites/{site}/redirects-import', {
                params: { path: { site: site.key } },
                body: { text, ...(make === undefined ? {} : { make }) },
                ...(signal === undefined ? {} : { signal }),
            }),
        )
    const look = useStoppable(signal => ask(undefined, signal))
    const make = useMutation({
        mutationFn: () => ask('good'),
        onSuccess: async done => {
            setText(null)
            if (done.progress !== null) {
                setBringing(done.progress.id)
                return
            }
            await queries.invalidateQueries({ queryKey: keys.site(site.key) })
            notify.success(
                `Made ${count(done.good, 'redirect')}${done.entries.length > 1 ? ` in ${done.entries.length} changes` : ''}. The history can undo them.`,
            )
            onClose()
        },
    })
    const [bringing, setBringing] = useState<string | null>(null)
    const found = look.data
    const problem = look.problem ?? make.error
    const bad = (found?.rows ?? []).filter(row => row.reason !== null)
    const good = (found?.rows ?? []).filter(row => row.reason === null)
    if (bringing !== null) return <Bringing id={bringing} onClose={onClose} />
    return (
        <Modal
            open
            onClose={onClose}
            title="Import redirects"
            description="A table with columns named address, leads to, answer, note and so on, in any order, or just old and new address: CSV with any delimiter, or JSON Lines. Or the redirects of an nginx or Apache configuration. Nothing is made before you have seen what cannot be."
            width={700}
        >
            <textarea
                aria-label="Table of redirects"
                rows={7}
                value={text}
                onChange={event => {
                    setText(event.target.value)
                    look.reset()
                }}
                placeholder={'address,leads to,answer,note\n/spring,/travel/fares,302,Bus adverts'}
                className={`${inputClasses} font-mono text-[13px]`}
            />
            <div className="mt-2 flex flex-wrap items-center justify-between gap-2">
                <TextFile
                    label="File of redirects"
                    accept=".csv,.tsv,.txt,.jsonl,.ndjson,.conf,.map,.htaccess"
                    onText={read => {
                        setText(read)
                        look.reset()
                    }}
                />
                <span className="flex gap-2">
                    <Button onClick={onClose}>Cancel</Button>
                    <Button
                        variant={found === undefined ? 'main' : 'plain'}
                        disabled={text.trim() === '' || look.isPending}
                        onClick={() => look.mutate()}
                    >
                        Check it
                    </Button>
                    {found !== undefined && found.good > 0 && (
                        <Button variant="main" disabled={make.isPending} onClick={() => make.mutate()}>
                            Make {count(found.good, 'redirect')}
                        </Button>
                    )}
                </span>
            </div>
            {(look.isPending || make.isPending) && (
                <p role="status" className="mt-2 flex items-center gap-3 text-ink-2">
                    {make.isPending
                        ? `Making ${count(found?.good ?? 0, 'redirect')}…`
                        : `Checking ${count(text.split('\n').length, 'line')}…`}
                    {look.isPending && (
                        <Button variant="quiet" onClick={look.stop}>
                            Stop
                        </Button>
                    )}
                </p>
            )}
            {problem !== null && <Alert className="mt-2">{problem.message}</Alert>}
            {found !== undefined && (
                <div className="mt-3 border-t border-line pt-3" role="status">
                    <p>
                        <b className="font-semibold text-reed">{count(found.good, 'row')} can be made</b>
                        {found.bad > 0 && (
                            <>
                                , <b className="font-semibold text-berry">{count(found.bad, 'row')} cannot</b>
                            </>
                        )}
                        .
                    </p>
                    {bad.length > 0 && <Rows rows={bad} last="Why not" />}
                    {good.length > 0 && (
                        <details className="mt-3">
                            <summary className="cursor-pointer text-ink-2">
                                {bad.length === 0 ? 'How they are read' : 'How the others are read'}
                            </summary>
                            <Rows rows={good} last="Leads to" />
                        </details>
                    )}
                </div>
            )}
        </Modal>
    )
}

const ended: Record<string, string> = {
    done: 'All of them are made.',
    stopped: 'Stopped. What was made stays; the history can undo it.',
    failed: 'It could not go on.',
}

/** How far an import has come that is made in the background; it goes on when this is closed. */
function Bringing({ id, onClose }: { id: string; onClose: () => void }) {
    const site = useSite()
    const queries = useQueryClient()
    const path = { site: site.key, import: id }
    const key = [...keys.addresses(site.key), 'import', id]
    const { data } = useQuery({
        queryKey: key,
        queryFn: ({ signal }) =>
            answered(api.GET('/sites/{site}/redirects-import/{import}', { params: { path }, signal })),
        refetchInterval: query =>
            query.state.data === undefined ||
            query.state.data.state === 'waiting' ||
            query.state.data.state === 'running'
                ? 1000
                : false,
    })
    const stop = useMutation({
        mutationFn: () => answered(api.DELETE('/sites/{site}/redirects-import/{import}', { params: { path } })),
        onSuccess: now => queries.setQueryData(key, now),
    })
    const isOver = data !== undefined && data.state in ended
    const close = () => {
        void queries.invalidateQueries({ queryKey: keys.site(site.key) })
        onClose()
    }
    return (
        <Modal
            open
            onClose={close}
            title="Importing redirects"
            description="You may close this and go on with something else: it goes on by itself."
            width={480}
        >
            <p role="status" className="mb-2">
                {data === undefined ? (
                    'Beginning…'
                ) : (
                    <>
                        <b className="font-semibold tabular-nums">{data.done.toLocaleString('en-GB')}</b> of{' '}
                        {count(data.total, 'redirect')} made. {ended[data.state] ?? ''}
                    </>
                )}
            </p>
            <progress aria-label="Redirects made" value={data?.done ?? 0} max={data?.total ?? 1} className="track" />
            {data?.problem != null && <Alert className="mt-2">{data.problem}</Alert>}
            <DialogActions className="mt-4">
                {!isOver && (
                    <Button disabled={stop.isPending} onClick={() => stop.mutate()}>
                        Stop
                    </Button>
                )}
                <Button variant="main" onClick={close}>
                    Close
                </Button>
            </DialogActions>
        </Modal>
    )
}

const reaches: Record<string, string> = { one: '', branch: 'a branch, ', pattern: 'a pattern, ' }
/** Rows drawn: nobody reads more. */
const DRAWN = 300

function Rows({ rows, last }: { rows: Schemas['ImportedRow'][]; last: string }) {
    return (
        <table className="mt-2 w-full table-fixed text-[13px]">
            <thead>
                <tr className="text-left text-[12px] text-ink-3">
                    <th className="w-14 font-normal">Line</th>
                    <th className="w-2/5 font-normal">Address</th>
                    <th className="font-normal">{last}</th>
                </tr>
            </thead>
            <tbody>
                {rows.slice(0, DRAWN).map((row, n) => (
                    <tr key={n} className="border-t border-line align-top">
                        <td className="py-1 tabular-nums">{row.line}</td>
                        <td className="py-1 pr-3 font-mono break-words">{row.address}</td>
                        <td className="py-1 break-words">
                            {row.reason ??
                                `${reaches[row.scope ?? ''] ?? ''}${row.answer === '410' ? 'gone, 410' : `${row.answer ?? ''} ${/^[0-9A-Z]{26}$/.test(row.leadsTo) ? 'to the page that is there' : row.leadsTo}`}`}
                            {row.suggestion !== null && <span className="text-ink-3"> Perhaps: {row.suggestion}</span>}
                        </td>
                    </tr>
                ))}
                {rows.length > DRAWN && (
                    <tr className="border-t border-line">
                        <td />
                        <td colSpan={2} className="py-1 text-ink-3">
                            and {(rows.length - DRAWN).toLocaleString('en-GB')} more
                        </td>
                    </tr>
                )}
            </tbody>
        </table>
    )
}
