import { useVirtualizer } from '@tanstack/react-virtual'
import clsx from 'clsx'
import { TriangleAlert } from 'lucide-react'
import { useEffect, useMemo, useRef, type KeyboardEvent } from 'react'
import type { Schemas } from '../../api/client'
import { count } from '../../ui/count'
import { ago } from '../../ui/time'
import { findingOfRow } from './findingWords'
import { Spark } from './Spark'
import type { Addresses } from './useAddresses'
import { answerWords, key, type Row } from './labels'
import { Alert } from '../../ui/Alert'
import { CutInside } from '../../ui/CutInside'

const ROW = 32

/** The addresses in order, one a row; read a hundred at a time as they come into sight. */
export function AddressList({
    addresses,
    findings,
    ofMissed,
    active,
    compact,
    onActive,
}: {
    addresses: Addresses
    ofMissed: boolean
    findings: Schemas['RedirectFinding'][]
    active: string | undefined
    compact: boolean
    onActive: (row: Row) => void
}) {
    const { rows, total, more, noise, isFetching, error } = addresses
    const scroller = useRef<HTMLDivElement>(null)
    const virtual = useVirtualizer({
        count: rows.length,
        getScrollElement: () => scroller.current,
        estimateSize: () => ROW,
        overscan: 8,
    })
    const shown = virtual.getVirtualItems()
    const last = shown.at(-1)?.index ?? 0
    useEffect(() => {
        if (last >= rows.length - 20) more?.()
    }, [last, more, rows.length])
    const found = useMemo(
        () =>
            findings.reduce(
                (by, each) => by.set(each.redirect, [...(by.get(each.redirect) ?? []), findingOfRow[each.kind]]),
                new Map<string, string[]>(),
            ),
        [findings],
    )
    const at = rows.findIndex(row => key(row) === active)
    const typed = (event: KeyboardEvent) => {
        const to =
            event.key === 'ArrowDown'
                ? at + 1
                : event.key === 'ArrowUp'
                  ? at - 1
                  : event.key === 'Home'
                    ? 0
                    : event.key === 'End'
                      ? rows.length - 1
                      : null
        const row = to === null ? undefined : rows[Math.max(0, Math.min(rows.length - 1, to))]
        if (row === undefined) return
        event.preventDefault()
        virtual.scrollToIndex(rows.indexOf(row))
        onActive(row)
    }
    const columns = compact
        ? 'grid-cols-[minmax(180px,1fr)_minmax(110px,150px)_112px]'
        : 'grid-cols-[minmax(220px,1.3fr)_minmax(110px,150px)_minmax(160px,1fr)_128px_minmax(120px,0.9fr)_80px]'
    if (error !== null) return <Alert className="p-6">{error.message}</Alert>
    return (
        <>
            <div
                aria-hidden
                className={clsx(
                    'grid h-[30px] items-center gap-x-3.5 border-b border-line px-4 text-[12px] text-ink-3',
                    columns,
                )}
            >
                <span>Address</span>
                <span>Answers</span>
                {!compact && <span>Ends up at</span>}
                <span>Hits, four weeks</span>
                {!compact && (
                    <>
                        <span>Note</span>
                        <span className="text-right">Since</span>
                    </>
                )}
            </div>
            <div
                ref={scroller}
                role="grid"
                aria-label="Addresses"
                aria-rowcount={total}
                tabIndex={0}
                onKeyDown={typed}
                aria-activedescendant={shown.some(item => item.index === at) ? `address-${at}` : undefined}
                className="relative min-h-0 flex-1 overflow-y-auto outline-none focus-visible:shadow-[inset_0_0_0_2px_var(--heron)]"
            >
                <div role="rowgroup" className="relative" style={{ height: virtual.getTotalSize() }}>
                    {shown.map(({ index, start }) => {
                        const row = rows[index]
                        if (row === undefined) return null
                        const isActive = index === at
                        return (
                            <div
                                key={key(row)}
                                id={`address-${index}`}
                                role="row"
                                aria-rowindex={index + 1}
                                aria-selected={isActive}
                                onClick={() => onActive(row)}
                                style={{ transform: `translateY(${start}px)` }}
                                className={clsx(
                                    'absolute inset-x-0 grid h-8 cursor-default items-center gap-x-3.5 px-4',
                                    columns,
                                    isActive ? 'bg-heron-soft shadow-[inset_3px_0_var(--heron)]' : 'hover:bg-sunk',
                                )}
                            >
                                <span
                                    role="gridcell"
                                    className={clsx(
                                        'flex min-w-0 font-mono text-[13px]',
                                        row.kind === 'page' ? 'text-ink' : 'text-ink-2',
                                    )}
                                >
                                    <CutInside text={row.address} />
                                    {row.redirect?.scope === 'branch' && <span className="text-ink-3">/…</span>}
                                </span>
                                <span
                                    role="gridcell"
                                    className={clsx(
                                        'truncate text-[13px]',
                                        row.state !== null && row.state !== 'on'
                                            ? 'text-ink-3'
                                            : row.kind === 'missed' || row.kind === 'gone'
                                              ? 'text-berry'
                                              : row.kind === 'page' || row.kind === 'also'
                                                ? 'text-reed'
                                                : 'text-ink-2',
                                    )}
                                >
                                    {answerWords(row)}
                                    {row.kind !== 'removed' && found.has(row.redirect?.id ?? '') && (
                                        <Finding words={found.get(row.redirect?.id ?? '') ?? []} />
                                    )}
                                </span>
                                {!compact && (
                                    <span role="gridcell" className="truncate text-[13px]">
                                        {row.likeliest !== null && (
                                            <span className="text-ink-3">
                                                perhaps <span className="text-ink-2">{row.likeliest.name}</span>,{' '}
                                                {Math.round(row.likeliest.confidence * 100)} %
                                            </span>
                                        )}
                                        <Target row={row} />
                                    </span>
                                )}
                                <span role="gridcell" className="text-[13px] text-ink-2">
                                    {row.hits.length > 0 ? (
                                        <Spark hits={row.hits} />
                                    ) : row.redirect !== null ? (
                                        <span className="text-ink-3">none</span>
                                    ) : (
                                        ''
                                    )}
                                </span>
                                {!compact && (
                                    <>
                                        <span role="gridcell" className="truncate text-[13px] text-ink-2">
                                            {row.redirect?.note ?? ''}
                                        </span>
                                        <span
                                            role="gridcell"
                                            title={row.sentence?.replaceAll('*', '')}
                                            className="truncate text-right text-[13px] text-ink-3"
                                        >
                                            {row.since === null ? '' : ago(row.since)}
                                        </span>
                                    </>
                                )}
                            </div>
                        )
                    })}
                </div>
                {ofMissed && (noise?.addresses ?? 0) > 0 && (
                    <p className="px-4 py-3 text-[13px] text-ink-3">
                        {count(noise?.requests ?? 0, 'request')} of scanners for{' '}
                        {count(noise?.addresses ?? 0, 'address', 'addresses')} {noise?.addresses === 1 ? 'is' : 'are'}{' '}
                        left out.
                    </p>
                )}
                {rows.length === 0 && !isFetching && (
                    <p className="p-6 text-ink-2">
                        No addresses match. Remove a filter, or type another part of an address.
                    </p>
                )}
            </div>
        </>
    )
}

/** A mark at what somebody should look at, which says what it is. */
function Finding({ words }: { words: string[] }) {
    return (
        <span title={words.join(', ')} className="ml-1.5 inline-block align-[-2px] text-amber">
            <TriangleAlert size={14} aria-hidden />
            <span className="sr-only">, {words.join(', ')}</span>
        </span>
    )
}

/** Where visitors end up: a page by its name and address, or whatever else. */
function Target({ row: { page, kind, ends, targetName, leadsTo } }: { row: Row }) {
    if (page !== null && kind !== 'former') return page.name
    const [name, address] = ends === null ? [targetName, leadsTo] : [ends.name, ends.address]
    return name === null ? (
        <span className="font-mono">{address ?? ''}</span>
    ) : (
        <>
            {name}
            {address !== null && <span className="font-mono text-[12px] text-ink-3"> {address}</span>}
        </>
    )
}
