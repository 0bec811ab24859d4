import clsx from 'clsx'
import { Choice as Tick } from '../../ui/Choice'
import { count } from '../../ui/count'
import { accepted, becomes, hasProbablyNone, isFree, ticked, type Choice, type Row } from './matching'

type Props = {
    row: Row
    threshold: number
    onChoice: (choice: Choice) => void
    onPick: () => void
}

/** An old address, what it becomes, how sure that is, and what else it may become. */
export function MatchRow({ row, threshold, onChoice, onPick }: Props) {
    const free = isFree(row)
    const page = becomes(row)
    const isGone = row.chosen?.choice === 'gone'
    const more = [
        row.title,
        row.heading === row.title ? '' : row.heading,
        row.requests > 0 ? count(row.requests, 'request') : '',
    ]
    return (
        <tr className="border-t border-line align-top">
            <td className="py-1.5 pl-6">
                <input
                    type="checkbox"
                    aria-label={`Accept ${row.old}`}
                    className="accent-heron"
                    disabled={!free || (page === null && !isGone)}
                    checked={accepted(row, threshold)}
                    onChange={event => onChoice(ticked(row, event.target.checked, threshold))}
                />
            </td>
            <td className="max-w-[340px] py-1.5 pr-4">
                <span className="block truncate font-mono" title={row.old}>
                    {row.address ?? row.old}
                </span>
                <span className="block truncate text-[12px] text-ink-3">
                    {more.filter(part => part !== '').join(' · ')}
                </span>
            </td>
            <td className="py-1.5 pr-4">
                {isGone ? (
                    <span className="text-berry">gone, 410</span>
                ) : row.held !== null ? (
                    <span className="text-ink-3">
                        {row.held === 'page' || row.held === 'also' ? 'is a page’s own' : 'leads on already'}
                    </span>
                ) : (
                    <>
                        <button
                            type="button"
                            onClick={onPick}
                            aria-label={`${page?.name ?? 'choose a page'} for ${row.old}`}
                            className="text-left text-heron hover:underline"
                        >
                            {page?.name ?? 'choose a page'}
                        </button>
                        {page !== null && page.address !== '' && (
                            <span className="ml-2 font-mono text-[12px] text-ink-3">{page.address}</span>
                        )}
                        <Why row={row} isSure={row.confidence * 100 >= threshold} onChoice={onChoice} />
                    </>
                )}
                {isGone && <ChosenBy row={row} />}
            </td>
            <td
                className={clsx(
                    'py-1.5 text-right tabular-nums',
                    row.chosen === null && row.confidence >= 0.9 ? 'text-reed' : 'text-ink-2',
                )}
            >
                {row.chosen === null && free ? `${Math.round(row.confidence * 100)} %` : ''}
            </td>
            <td className="py-1.5 pr-6 pl-4">
                {free && (
                    <Tick
                        aria-label={`Say that ${row.old} is gone`}
                        className="text-[12px] text-ink-2"
                        checked={isGone}
                        onChange={event => onChoice(event.target.checked ? { choice: 'gone' } : null)}
                    >
                        gone
                    </Tick>
                )}
            </td>
        </tr>
    )
}

/** Who chose, and the way back to what is proposed. */
function ChosenBy({ row, onBack }: { row: Row; onBack?: () => void }) {
    const { chosen } = row
    if (chosen === null) return null
    const what =
        chosen.choice === 'left'
            ? 'Not accepted'
            : chosen.page === null && chosen.choice === 'page'
              ? 'The page that was chosen is no longer there. Chosen'
              : 'Chosen'
    return (
        <span className="block text-[12px] text-ink-3">
            {what} by {chosen.by ?? 'somebody who has left'}.
            {onBack !== undefined && (
                <>
                    {' '}
                    <button type="button" className="text-heron hover:underline" onClick={onBack}>
                        Back to what is proposed
                    </button>
                </>
            )}
        </span>
    )
}

/** Why it is proposed, and what else it may be. */
function Why({ row, isSure, onChoice }: { row: Row; isSure: boolean; onChoice: (choice: Choice) => void }) {
    if (row.chosen !== null) return <ChosenBy row={row} onBack={() => onChoice(null)} />
    const likeSaid = (name: string, id: string) =>
        name === row.page?.name || row.next.some(each => each.id !== id && each.name === name)
    return (
        <span className="block text-[12px] text-ink-3">
            {row.isTaught && <span className="text-amber">Changed by what was chosen. </span>}
            {hasProbablyNone(row) && `Probably nothing is there any more, ${Math.round(row.none * 100)} % sure. `}
            {row.why}
            {!isSure && row.next.length > 0 && (
                <>
                    {' '}
                    Or{' '}
                    {row.next.map((other, n) => (
                        <span key={other.id}>
                            {n > 0 && ', '}
                            <button
                                type="button"
                                title={other.address}
                                className="text-heron hover:underline"
                                onClick={() => onChoice({ choice: 'page', page: other })}
                            >
                                {likeSaid(other.name, other.id) ? other.address : other.name}
                            </button>
                        </span>
                    ))}
                    ?
                </>
            )}
        </span>
    )
}
