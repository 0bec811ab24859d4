import { count } from '../../ui/count'
import { Choice } from '../../ui/Choice'
import type { Matched, RowChoice } from './matching'

type Props = {
    row: Matched
    choice: RowChoice | undefined
    isAccepted: boolean
    isFree: boolean
    /** Whether it changed by what was chosen for others. */
    isTaught: boolean
    onChoice: (choice: RowChoice) => void
    onPick: () => void
}

/** An old address, what it becomes, how sure that is, and what else it may become. */
export function MatchRow({ row, choice, isAccepted, isFree, isTaught, onChoice, onPick }: Props) {
    const page = choice?.page ?? row.page
    const isGone = choice?.gone === true
    const more = [row.title, row.requests > 0 ? count(row.requests, 'request') : '']
        .filter(part => part !== '')
        .join(', ')
    return (
        <tr className="border-t border-line align-top">
            <td className="py-1.5">
                <input
                    type="checkbox"
                    aria-label={`Accept ${row.old}`}
                    className="accent-heron"
                    disabled={!isFree || (page === null && !isGone)}
                    checked={isAccepted}
                    onChange={event => onChoice({ isOn: event.target.checked, gone: false })}
                />
            </td>
            <td className="max-w-[300px] py-1.5 pr-3">
                <span className="block truncate font-mono" title={row.old}>
                    {row.address ?? row.old}
                </span>
                {more !== '' && <span className="text-[12px] text-ink-3">{more}</span>}
            </td>
            <td className="py-1.5 pr-3">
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
                        {choice?.page === undefined && row.page !== null && (
                            <span className="ml-2 font-mono text-[12px] text-ink-3">{row.page.address}</span>
                        )}
                        <span className="block text-[12px] text-ink-3">
                            {isTaught && <span className="text-amber">Changed by what you chose. </span>}
                            {choice?.page === undefined ? row.why : 'Chosen by hand.'}
                            {row.next.length > 0 && choice?.page === undefined && (
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
                                                onClick={() => onChoice({ page: other, isOn: true })}
                                            >
                                                {row.next.some(
                                                    each => each.id !== other.id && each.name === other.name,
                                                ) || other.name === row.page?.name
                                                    ? other.address
                                                    : other.name}
                                            </button>
                                        </span>
                                    ))}
                                    ?
                                </>
                            )}
                        </span>
                    </>
                )}
            </td>
            <td className={`py-1.5 text-right tabular-nums ${row.confidence >= 0.9 ? 'text-reed' : 'text-ink-2'}`}>
                {Math.round(row.confidence * 100)} %
            </td>
            <td className="py-1.5 pl-3">
                {isFree && (
                    <Choice
                        aria-label={`Say that ${row.old} is gone`}
                        className="text-[12px] text-ink-2"
                        checked={isGone}
                        onChange={event => onChoice({ gone: event.target.checked })}
                    >
                        gone
                    </Choice>
                )}
            </td>
        </tr>
    )
}
