import clsx from 'clsx'
import type { Schemas } from '../api/client'
import type { ListGroup } from './rippleRows'

/** One consequence in a line. */
export function Consequence({ row, group }: { row: Schemas['RippleRow']; group: ListGroup }) {
    if (group === 'addresses' && row.from !== null && row.to !== null)
        return <Move from={row.from} to={row.to} note={row.note} />
    if (group === 'rawLinks') return <RawLink row={row} />
    if (group === 'titles' || group === 'canonicals')
        return (
            <span className="flex flex-wrap items-baseline gap-x-3">
                <b className="font-semibold">{row.name}</b>
                <span className="text-ink-3 line-through">{row.from}</span>
                <span>{row.to}</span>
                <span className="text-ink-2">{row.note}</span>
            </span>
        )
    if (group === 'menu' || group === 'indexing' || group === 'visitors' || group === 'access')
        return (
            <>
                <b className="font-semibold">{row.name}</b> {row.note}
            </>
        )
    const mono = 'font-mono text-[13px]'
    if (group === 'redirects')
        return (
            <span className="flex flex-wrap items-baseline gap-x-3">
                <span className={mono}>{row.from}</span>
                {(row.to !== null || row.name !== '') && (
                    <>
                        <span aria-label="redirects to" className="text-ink-3">
                            →
                        </span>
                        <span className={clsx(row.to !== null && mono, 'text-heron')}>{row.to ?? row.name}</span>
                    </>
                )}
                <span className="text-ink-2">{row.note}</span>
            </span>
        )
    return (
        <span className="flex flex-wrap items-baseline gap-x-3">
            {row.from !== null && <span className={mono}>{row.from}</span>}
            {group === 'redirectsWritten' && (
                <>
                    <span aria-label="redirects to" className="text-ink-3">
                        →
                    </span>
                    {row.to !== null ? (
                        <span className={clsx(mono, 'text-heron')}>{row.to}</span>
                    ) : (
                        <span>{row.name}</span>
                    )}
                </>
            )}
            {row.from === null && (
                <>
                    <b className="font-semibold">{row.name}</b>
                    {row.to !== null && <span className={clsx(mono, 'text-ink-3')}>{row.to}</span>}
                </>
            )}
        </span>
    )
}

/** In whose words, as it is written, and what becomes of it. */
function RawLink({ row }: { row: Schemas['RippleRow'] }) {
    return (
        <span className="flex flex-wrap items-baseline gap-x-3">
            <b className="font-semibold">{row.name}</b>
            <span className="font-mono text-[13px]">{row.from}</span>
            <span className={row.note.startsWith('breaks') ? 'text-berry' : 'text-ink-2'}>{row.note}</span>
            {row.to !== null && <span className="font-mono text-[13px] text-heron">{row.to}</span>}
        </span>
    )
}

function Move({ from, to, note }: { from: string; to: string; note: string }) {
    const kept = commonEnd(from, to)
    const changed = to.slice(0, to.length - kept)
    return (
        <span className="flex flex-wrap items-baseline gap-x-3 font-mono text-[13px]">
            <span className="text-ink-3">{from}</span>
            <span aria-label="becomes">→</span>
            <span>
                <b className="font-[650] text-heron">{changed}</b>
                {to.slice(changed.length)}
            </span>
            {note !== '' && <span className="font-sans text-[12px] text-ink-3">{note}</span>}
        </span>
    )
}

/** How many characters both end in, counted in whole path segments. */
function commonEnd(from: string, to: string) {
    const a = from.split('/').reverse()
    const b = to.split('/').reverse()
    let length = 0
    for (let i = 0; i < Math.min(a.length, b.length) && a[i] === b[i]; i++) length += (a[i]?.length ?? 0) + 1
    return Math.min(length, to.length - 1)
}
