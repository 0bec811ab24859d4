import { useState } from 'react'
import { ulid } from '../../api/ulid'
import { useChanges, type Change } from '../../app/changes'
import { PickPage } from '../../app/PickPage'
import { useSite } from '../../app/site'
import { Button } from '../../ui/Button'
import { count } from '../../ui/count'
import { inputClasses } from '../../ui/Field'
import { Modal } from '../../ui/Modal'
import { TextFile } from '../../ui/TextFile'
import { useKept } from '../../ui/useKept'
import { MatchCurve } from './MatchCurve'
import { MatchRow } from './MatchRow'
import { useMatching } from './useMatching'
import { accepted, isFree, orders, shownRows, type Shown } from './matching'
import { DialogActions } from '../../ui/DialogActions'
import { Alert } from '../../ui/Alert'
import { Select } from '../../ui/Select'

const filters: [Shown['only'], string][] = [
    ['all', 'All rows'],
    ['accepted', 'Accepted'],
    ['open', 'Not accepted'],
    ['none', 'Without a page'],
]

/** Rows drawn at once: nobody reads more before filtering them. */
const DRAWN = 200

/** Matches the addresses of an old site to pages: proposed with a confidence, accepted from a threshold or one by one, made as one change. */
export function MatchOld({ onClose }: { onClose: () => void }) {
    const site = useSite()
    const { propose } = useChanges()
    const [text, setText] = useKept(`heronstem old addresses ${site.key}`, '')
    const [shown, setShown] = useState<Shown>({ text: '', only: 'all', order: 'surest', threshold: 90 })
    const [drawn, draw] = useState(DRAWN)
    const [picking, setPicking] = useState<string | null>(null)
    const { match, rows: found, taught, choices, begin, choose, reset } = useMatching(text)
    const rows = found ?? []
    const taken = rows.filter(row => accepted(row, choices, shown.threshold))
    const listed = shownRows(rows, choices, shown)
    const make = () => {
        const changes = taken.map((row): Change => ({
            kind: 'make-redirect',
            redirect: ulid(),
            source: row.address ?? '',
            note: 'Of the old site',
            ...(choices[row.old]?.gone === true
                ? { answer: '410' }
                : { leadsTo: { page: choices[row.old]?.page?.id ?? row.page?.id ?? '' } }),
        }))
        onClose()
        void propose({
            title: `Redirecting ${count(changes.length, 'old address', 'old addresses')}`,
            act: 'Make them',
            always: true,
            batch: { changes },
            done: () => setText(null),
        })
    }
    return (
        <Modal
            open
            onClose={onClose}
            title="Match addresses of an old site"
            help="old-addresses"
            description="One a line, a table with titles, a sitemap, or an access log in the common or combined format."
            width={900}
        >
            {found === undefined ? (
                <>
                    <textarea
                        aria-label="Old addresses"
                        rows={9}
                        value={text}
                        onChange={event => setText(event.target.value)}
                        placeholder={'/old/timetable.html\nhttps://old.example/contact'}
                        className={`${inputClasses} font-mono text-[13px]`}
                    />
                    <div className="mt-2 flex flex-wrap items-center justify-between gap-2">
                        <TextFile label="File of old addresses" accept=".csv,.tsv,.txt,.xml,.log" onText={setText} />
                        <span className="flex gap-2">
                            <Button onClick={onClose}>Cancel</Button>
                            <Button variant="main" disabled={text.trim() === '' || match.isPending} onClick={begin}>
                                Match them
                            </Button>
                        </span>
                    </div>
                    {match.isPending && (
                        <p role="status" className="mt-2 flex items-center gap-3 text-ink-2">
                            Matching {count(text.split('\n').length, 'line')}…
                            <Button variant="quiet" onClick={match.stop}>
                                Stop
                            </Button>
                        </p>
                    )}
                    {match.problem !== null && <Alert className="mt-2">{match.problem.message}</Alert>}
                </>
            ) : (
                <>
                    <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
                        <label className="flex items-center gap-2 text-ink-2">
                            Accept from{' '}
                            <input
                                type="number"
                                min={0}
                                max={100}
                                value={shown.threshold}
                                onChange={event => setShown({ ...shown, threshold: Number(event.target.value) })}
                                aria-label="Accept from"
                                className={`${inputClasses} w-18!`}
                            />{' '}
                            % sure
                        </label>
                        <MatchCurve
                            rows={rows}
                            threshold={shown.threshold}
                            onThreshold={threshold => setShown({ ...shown, threshold })}
                        />
                    </div>
                    <div className="mt-2 flex flex-wrap items-center gap-x-4 gap-y-2 text-[13px]">
                        <input
                            aria-label="Filter old addresses"
                            placeholder="Address, title or page"
                            value={shown.text}
                            onChange={event => setShown({ ...shown, text: event.target.value })}
                            className={`${inputClasses} w-52!`}
                        />
                        <Select
                            aria-label="Which rows"
                            className="w-auto!"
                            value={shown.only}
                            choices={filters}
                            onChoose={only => setShown({ ...shown, only })}
                        />
                        <Select
                            aria-label="In which order"
                            className="w-auto!"
                            value={shown.order}
                            choices={orders}
                            onChoose={order => setShown({ ...shown, order })}
                        />
                        <span role="status" className="ml-auto text-ink-3">
                            {listed.length.toLocaleString('en-GB')} of {rows.length.toLocaleString('en-GB')}
                        </span>
                    </div>
                    <div className="mt-3 max-h-[40vh] overflow-y-auto border-t border-line">
                        <table className="w-full text-[13px]">
                            <thead className="sticky top-0 bg-sheet">
                                <tr className="text-left text-[12px] text-ink-3">
                                    <th className="w-8 font-normal">
                                        <span className="sr-only">Accepted</span>
                                    </th>
                                    <th className="font-normal">Old address</th>
                                    <th className="font-normal">Becomes</th>
                                    <th className="w-14 text-right font-normal">Sure</th>
                                    <th className="w-16 font-normal">
                                        <span className="sr-only">Gone</span>
                                    </th>
                                </tr>
                            </thead>
                            <tbody>
                                {listed.slice(0, drawn).map(row => (
                                    <MatchRow
                                        key={row.old}
                                        row={row}
                                        choice={choices[row.old]}
                                        isAccepted={accepted(row, choices, shown.threshold)}
                                        isFree={isFree(row)}
                                        isTaught={taught.has(row.old)}
                                        onChoice={choice => choose(row.old, choice)}
                                        onPick={() => setPicking(row.old)}
                                    />
                                ))}
                            </tbody>
                        </table>
                        {listed.length === 0 && <p className="p-4 text-ink-2">No row is like that.</p>}
                        {listed.length > drawn && (
                            <p className="p-2 text-center">
                                <Button variant="quiet" onClick={() => draw(drawn + DRAWN)}>
                                    Show {Math.min(DRAWN, listed.length - drawn)} more
                                </Button>
                            </p>
                        )}
                    </div>
                    {match.problem !== null && <Alert className="mt-2">{match.problem.message}</Alert>}
                    <DialogActions>
                        <span role="status" className="mr-auto self-center text-[13px] text-ink-2">
                            {match.isPending
                                ? 'Matching the others again, with what you chose…'
                                : taught.size > 0 && `${count(taught.size, 'row')} changed by what you chose.`}
                        </span>
                        <Button onClick={reset}>Another list</Button>
                        <Button variant="main" disabled={taken.length === 0} onClick={make}>
                            Send {count(taken.length, 'address', 'addresses')} on
                        </Button>
                    </DialogActions>
                </>
            )}
            <PickPage
                open={picking !== null}
                title="What it became"
                onClose={() => setPicking(null)}
                onPick={page => {
                    if (picking !== null) choose(picking, { page, isOn: true, gone: false })
                    setPicking(null)
                }}
            />
        </Modal>
    )
}
