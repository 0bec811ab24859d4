import { Command } from 'cmdk'
import { useState, type ReactNode } from 'react'
import { readable } from '../../ui/Address'
import { ReadFailure } from '../../ui/ReadFailure'
import { useSite } from '../site'
import { TreePicker } from '../TreePicker'
import { useFoundPages } from '../useFoundPages'
import type { Link } from './blocks'
import { outsideLink, writtenLink } from './typedLink'

/** Picks what a link leads to: a page of the tree or found by typing, an address as it is written, or a page to be made. */
export function LinkTarget({ onTake }: { onTake: (target: Link) => void }) {
    const site = useSite()
    const [text, setText] = useState('')
    const typed = text.trim()
    const outside = outsideLink(typed)
    const written = writtenLink(typed)
    const isName = typed !== '' && outside === null && written === null
    const { asked, found, settled, hits } = useFoundPages(typed, outside === null)
    return (
        <Command shouldFilter={false} label="Where the link leads" className="rounded-md border border-edge">
            <Command.Input
                value={text}
                onValueChange={setText}
                autoFocus
                placeholder="Page, https://… or name@…"
                className="h-9 w-full border-b border-line bg-transparent px-3 outline-none"
            />
            <Command.List className="max-h-[260px] min-h-[40px] overflow-y-auto p-1">
                {outside !== null && (
                    <Row value="outside" onSelect={() => onTake({ href: outside })}>
                        Link to <b className="font-semibold">{outside.replace(/^(mailto|tel):/, '')}</b>
                    </Row>
                )}
                {asked === '' && <TreePicker site={site.key} onPick={page => onTake({ page: page.id })} />}
                <ReadFailure of={found} />
                {hits.map(hit => (
                    <Row key={hit.id} value={hit.id} onSelect={() => onTake({ page: hit.id })}>
                        <b className="font-semibold">{hit.name}</b>{' '}
                        <span className="truncate font-mono text-[12px] text-ink-3">{readable(hit.address)}</span>
                    </Row>
                ))}
                {isName && settled && found.isSuccess && (
                    <Row value="wanted" onSelect={() => onTake({ wanted: typed })}>
                        <span>
                            Link to a page that is not there yet: <b className="font-semibold">{typed}</b>
                        </span>
                        <span className="text-[12px] text-ink-3">
                            visitors see the text only, until somebody makes the page
                        </span>
                    </Row>
                )}
                {written !== null && settled && (
                    <Row value="written" onSelect={() => onTake({ href: written })}>
                        <span>
                            Link to <b className="font-mono text-[12px] font-semibold break-all">{written}</b>
                        </span>
                        <span className="text-[12px] text-ink-3">
                            as it is written: it does not follow a page that moves
                        </span>
                    </Row>
                )}
            </Command.List>
        </Command>
    )
}

function Row({ value, onSelect, children }: { value: string; onSelect: () => void; children: ReactNode }) {
    return (
        <Command.Item
            value={value}
            onSelect={onSelect}
            className="flex cursor-pointer flex-wrap items-baseline gap-x-2 rounded px-2.5 py-1.5 data-[selected=true]:bg-heron-soft"
        >
            {children}
        </Command.Item>
    )
}
