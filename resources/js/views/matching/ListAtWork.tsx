import { useDeferredValue, useState } from 'react'
import { ApiProblem } from '../../api/client'
import { ulid } from '../../api/ulid'
import { useChanges, type Change } from '../../app/changes'
import { PickPage } from '../../app/PickPage'
import { Alert } from '../../ui/Alert'
import { Button } from '../../ui/Button'
import { count } from '../../ui/count'
import { ReadFailure } from '../../ui/ReadFailure'
import { FilterBar } from './FilterBar'
import { ListMenu } from './ListMenu'
import { MatchCurve } from './MatchCurve'
import { MatchRow } from './MatchRow'
import { accepted, becomes, shownRows, type Row, type Shown } from './matching'
import { Threshold } from './Threshold'
import { useMatchList } from './useMatchLists'

/** Rows drawn at once: nobody reads more before filtering them. */
const DRAWN = 200

/** One list: its rows, from which confidence on they are accepted, and what becomes of each. */
export function ListAtWork({ id, onGone }: { id: string; onGone: () => void }) {
    const acts = useMatchList(id)
    const { reading, match, choosing } = acts
    const { propose } = useChanges()
    const [chosen, setShown] = useState<Partial<Shown>>({})
    const [drawn, draw] = useState(DRAWN)
    const [picking, pick] = useState<Row | null>(null)
    const [moving, move] = useState<number | null>(null)
    const rows = reading.data?.rows ?? []
    const list = reading.data?.list
    // What visitors ask for most matters most, where that was counted.
    const order = (list?.requests ?? 0) > 0 ? 'asked' : 'surest'
    const shown: Shown = { text: '', only: 'all', order, ...chosen }
    const threshold = moving ?? list?.threshold ?? 90
    // The rows follow the hand that moves the threshold as fast as they can be drawn.
    const drawnAt = useDeferredValue(threshold)
    if (reading.error !== null && list === undefined)
        return (
            <div className="p-8">
                <ReadFailure of={reading} />
                <Button className="mt-3" onClick={onGone}>
                    Make a new list
                </Button>
            </div>
        )
    if (list === undefined) return null
    const taken = rows.filter(row => accepted(row, threshold))
    const listed = shownRows(rows, shown, drawnAt)
    const taught = rows.filter(row => row.isTaught).length
    const settle = (value: number) =>
        value !== list.threshold && acts.say.mutate({ threshold: value }, { onSettled: () => move(null) })
    const make = () => {
        const changes = taken.map((row): Change => {
            const page = becomes(row)
            return {
                kind: 'make-redirect',
                redirect: ulid(),
                source: row.address ?? '',
                note: `Of “${list.name}”`.slice(0, 200),
                ...(row.chosen?.choice === 'gone' ? { answer: '410' } : { leadsTo: { page: page?.id ?? '' } }),
            }
        })
        void propose({
            title: `Redirecting ${count(changes.length, 'old address', 'old addresses')}`,
            act: 'Make them',
            always: true,
            batch: { changes },
        })
    }
    const problem = [choosing.error, match.problem, acts.say.error].find(each => each instanceof ApiProblem)
    return (
        <div className="flex min-w-0 flex-1 flex-col">
            <div className="flex min-h-14 shrink-0 flex-wrap items-center gap-x-3 gap-y-1 px-6 pt-2">
                <h2 className="min-w-0 truncate text-[17px] leading-6 font-bold">{list.name}</h2>
                <span className="shrink-0 text-[13px] text-ink-2">
                    {count(list.rows, 'address', 'addresses')}
                    {list.requests > 0 && `, ${count(list.requests, 'request')}`}
                </span>
                <span className="ml-auto flex shrink-0 gap-2">
                    {acts.isRemoved ? (
                        <Button onClick={onGone}>Make a new list</Button>
                    ) : (
                        <ListMenu list={list} acts={acts} onGone={onGone} />
                    )}
                </span>
            </div>
            {acts.isRemoved && (
                <Alert className="px-6 pb-2">
                    Somebody removed this list. What you see is how it was; addresses can still be sent on, but nothing
                    that you choose here is kept.
                </Alert>
            )}
            <div className="flex flex-wrap items-center gap-x-6 gap-y-2 px-6 pb-2">
                <Threshold value={threshold} onMove={move} onSettle={settle} />
                <MatchCurve rows={rows} threshold={threshold} onMove={move} onSettle={settle} />
            </div>
            <FilterBar
                shown={shown}
                set={change => {
                    setShown({ ...chosen, ...change })
                    draw(DRAWN)
                }}
                found={listed.length}
                all={rows.length}
            />
            {problem !== undefined && <Alert className="px-6 py-2">{problem?.message}</Alert>}
            <div className="min-h-0 flex-1 overflow-y-auto">
                <table className="w-full table-fixed text-[13px]">
                    <thead className="sticky top-0 z-10 bg-paper shadow-[0_1px_var(--line)]">
                        <tr className="text-left text-[12px] text-ink-3">
                            <th className="w-[50px] py-1 font-normal">
                                <span className="sr-only">Accepted</span>
                            </th>
                            <th className="w-[38%] font-normal">Old address</th>
                            <th className="font-normal">Becomes</th>
                            <th className="w-14 text-right font-normal">Sure</th>
                            <th className="w-[96px] font-normal">
                                <span className="sr-only">Gone</span>
                            </th>
                        </tr>
                    </thead>
                    <tbody>
                        {listed.slice(0, drawn).map(row => (
                            <MatchRow
                                key={row.old}
                                row={row}
                                threshold={drawnAt}
                                onChoice={choice => choosing.mutate([[row, choice]])}
                                onPick={() => pick(row)}
                            />
                        ))}
                    </tbody>
                </table>
                {listed.length === 0 && <p className="px-6 py-4 text-ink-2">No rows match. Remove a filter.</p>}
                {listed.length > drawn && (
                    <p className="p-2 text-center">
                        <Button variant="quiet" onClick={() => draw(drawn + DRAWN)}>
                            Show {Math.min(DRAWN, listed.length - drawn)} more
                        </Button>
                    </p>
                )}
            </div>
            <div className="flex min-h-[55px] items-center gap-3 border-t border-line px-6">
                <Button variant="main" disabled={taken.length === 0} onClick={make}>
                    {taken.length === 0
                        ? 'Send addresses on'
                        : `Send ${count(taken.length, 'address', 'addresses')} on`}
                </Button>
                {list.isBehind && !acts.isRemoved && !match.isPending && !choosing.isPending && (
                    <Button onClick={() => match.mutate()}>Match again</Button>
                )}
                <span role="status" className="text-[13px] text-ink-2">
                    {match.isPending
                        ? 'Matching the others again, with what was chosen…'
                        : taught > 0
                          ? `${count(taught, 'row')} changed by what was chosen.`
                          : list.isBehind
                            ? 'Pages changed, or something was chosen, since this was matched.'
                            : ''}
                </span>
                {match.isPending && (
                    <Button variant="quiet" onClick={match.stop}>
                        Stop
                    </Button>
                )}
            </div>
            <PickPage
                open={picking !== null}
                title="What it became"
                onClose={() => pick(null)}
                onPick={({ id: page, name }) => {
                    if (picking !== null)
                        choosing.mutate([[picking, { choice: 'page', page: { id: page, name, address: '' } }]])
                    pick(null)
                }}
            />
        </div>
    )
}
