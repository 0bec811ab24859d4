import clsx from 'clsx'
import { useState } from 'react'
import { Button } from '../ui/Button'
import { BranchDrawing } from './BranchDrawing'
import { Consequence } from './Consequence'
import { groupsOf, told, type Account, type GroupKey } from './rippleGroups'
import { RippleList } from './RippleList'
import type { ListGroup, RowSource } from './rippleRows'
import { Muted } from '../ui/Muted'

/** What follows, sorted by what a manager cares about: counts first; the chosen one's examples below; the branch before and after. */
export function RippleAccount({ account, rows }: { account: Account; rows: RowSource }) {
    const groups = groupsOf(account)
    const drawn = account.drawing.before.length + account.drawing.after.length > 0
    const [chosen, choose] = useState<GroupKey | 'drawing'>(groups[0]?.key ?? 'drawing')
    const [whole, setWhole] = useState<ListGroup | null>(null)
    const shown = chosen === 'drawing' || groups.some(group => group.key === chosen) ? chosen : groups[0]?.key
    const tab = (isShown: boolean) =>
        clsx(
            'pb-1 text-left text-[12px] leading-4',
            isShown ? 'text-ink shadow-[inset_0_-2px_var(--heron)]' : 'text-ink-2 hover:text-ink',
        )
    if (groups.length === 0 && !drawn) return <Muted>No address moves and no redirect is needed.</Muted>
    return (
        <div className="min-w-0">
            <div className="mb-2.5 flex flex-wrap items-end gap-x-6 gap-y-2" role="group" aria-label="What follows">
                {groups.map(group => (
                    <button
                        key={group.key}
                        type="button"
                        aria-pressed={group.key === shown}
                        onClick={() => choose(group.key)}
                        className={tab(group.key === shown)}
                    >
                        <b
                            className={clsx(
                                'block text-[20px] leading-6 font-bold',
                                group.breaks ? 'text-berry' : 'text-ink',
                            )}
                        >
                            {group.count.toLocaleString('en-GB')}
                        </b>
                        {group.word}
                    </button>
                ))}
                {drawn && (
                    <button
                        type="button"
                        aria-pressed={shown === 'drawing'}
                        onClick={() => choose('drawing')}
                        className={tab(shown === 'drawing')}
                    >
                        before and after
                    </button>
                )}
            </div>
            {shown === 'drawing' ? (
                <BranchDrawing drawing={account.drawing} />
            ) : (
                shown !== undefined &&
                (told[shown] !== undefined ? (
                    <Muted>{told[shown]}</Muted>
                ) : (
                    <Examples
                        account={account}
                        group={shown as ListGroup}
                        rows={rows}
                        onWhole={() => setWhole(shown as ListGroup)}
                    />
                ))
            )}
            {whole !== null && rows !== null && (
                <RippleList
                    group={whole}
                    source={rows}
                    title={groups.find(group => group.key === whole)?.word ?? ''}
                    onClose={() => setWhole(null)}
                />
            )}
        </div>
    )
}

function Examples({
    account,
    group,
    rows,
    onWhole,
}: {
    account: Account
    group: ListGroup
    rows: RowSource
    onWhole: () => void
}) {
    const list = account.lists[group] ?? []
    const total = account.counts[group]
    const first = list.slice(0, 12)
    return (
        <>
            <ul className="grid gap-1">
                {first.map((row, i) => (
                    <li key={i}>
                        <Consequence row={row} group={group} />
                    </li>
                ))}
            </ul>
            {(total > first.length || total > 3) && (
                <p className="mt-1.5 text-[12px] text-ink-3">
                    {total > first.length && <>and {(total - first.length).toLocaleString('en-GB')} more </>}
                    {rows !== null && (
                        <Button variant="quiet" className="h-6! px-1.5! text-[12px]" onClick={onWhole}>
                            Show the whole list
                        </Button>
                    )}
                </p>
            )}
        </>
    )
}
