import { useQuery } from '@tanstack/react-query'
import { useNavigate } from '@tanstack/react-router'
import { Command } from 'cmdk'
import { Dialog } from 'radix-ui'
import { useState } from 'react'
import { goToQuery } from '../api/queries'
import { ulid } from '../api/ulid'
import { readable } from '../ui/Address'
import { StateChip } from '../ui/StateChip'
import { useDebounced } from '../ui/useDebounced'
import { useChanges } from './changes'
import { useSite } from './site'
import { ReadFailure } from '../ui/ReadFailure'

/** Go to a page by any part of its name, heading or address; or make one of that name. */
export function GoTo({ open, onClose }: { open: boolean; onClose: () => void }) {
    return (
        <Dialog.Root open={open} onOpenChange={now => now || onClose()}>
            <Dialog.Portal>
                <Dialog.Overlay className="fixed inset-0 z-40 bg-[rgb(22_38_47/0.25)]" />
                <Dialog.Content
                    aria-describedby={undefined}
                    className="fixed top-2 left-1/2 z-50 w-[560px] max-w-[calc(100vw-24px)] -translate-x-1/2 overflow-hidden rounded-lg bg-sheet shadow-float"
                >
                    <Dialog.Title className="sr-only">Go to a page, or make one</Dialog.Title>
                    <Finder onClose={onClose} />
                </Dialog.Content>
            </Dialog.Portal>
        </Dialog.Root>
    )
}

function Finder({ onClose }: { onClose: () => void }) {
    const site = useSite()
    const navigate = useNavigate()
    const { propose } = useChanges()
    const [text, setText] = useState('')
    const asked = useDebounced(text.trim(), 80)
    const found = useQuery({ ...goToQuery(site.key, asked), enabled: asked !== '' })
    const { data: hits = [], isFetching, isPlaceholderData } = found
    // Enter waits for the answer to what is typed: it must never take an older hit, or make a page unasked.
    const settled = asked === text.trim() && !isFetching && !isPlaceholderData && !found.isError
    const same = hits.find(hit => hit.exact)

    const goTo = (page: string) => {
        if (!settled) return
        show(page)
    }
    const show = (page: string) => {
        onClose()
        void navigate({
            to: '/s/$site/outline',
            params: { site: site.key },
            search: previous => ({ open: 'open' in previous ? (previous.open as string) : undefined, row: page, page }),
        })
    }
    const make = () => {
        const page = ulid()
        onClose()
        void propose({
            title: `Making ${text.trim()}`,
            act: 'Make page',
            batch: { changes: [{ kind: 'make', page, name: text.trim(), place: { last: null } }] },
            done: () => show(page),
        })
    }
    const row =
        'grid cursor-pointer grid-cols-[1fr_auto] items-baseline gap-x-3 rounded px-3 py-1.5 data-[selected=true]:bg-heron-soft'
    return (
        <Command shouldFilter={false} loop label="Go to a page, or make one">
            <Command.Input
                value={text}
                onValueChange={setText}
                autoFocus
                placeholder="Name, heading or address"
                className="h-11 w-full border-b border-line bg-transparent px-4 text-[15px] outline-none"
            />
            <Command.List className="max-h-[56vh] overflow-y-auto p-1.5">
                {asked === '' && <p className="px-3 py-2 text-ink-3">Type any part of a page's name or address.</p>}
                <ReadFailure of={found} />
                {asked !== '' && hits.length === 0 && settled && (
                    <p className="px-3 py-2 text-ink-3">No page has “{asked}” in its name or address.</p>
                )}
                {hits.map(hit => (
                    <Command.Item key={hit.id} value={hit.id} onSelect={() => goTo(hit.id)} className={row}>
                        <span className="truncate">
                            <b className="font-semibold">{hit.name}</b>
                            {hit.within !== null && <span className="text-[12px] text-ink-3"> in {hit.within}</span>}
                        </span>
                        <StateChip state={hit.state} />
                        <span className="truncate font-mono text-[12px] text-ink-3">{readable(hit.address)}</span>
                    </Command.Item>
                ))}
                {text.trim() !== '' && settled && site.writes && (
                    <Command.Item value="make" onSelect={make} className={`${row} mt-1 border-t border-line`}>
                        <span>
                            Make a page named <b className="font-semibold">{text.trim()}</b>
                        </span>
                        <span className="text-[12px] text-ink-3">
                            {same === undefined
                                ? 'at the top, as a draft'
                                : `one of this name exists: ${readable(same.address)}`}
                        </span>
                    </Command.Item>
                )}
            </Command.List>
        </Command>
    )
}
