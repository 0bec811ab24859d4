import { useQuery } from '@tanstack/react-query'
import { Command } from 'cmdk'
import { useState } from 'react'
import { goToQuery } from '../../../api/queries'
import { TreePicker } from '../../../app/TreePicker'
import { readable } from '../../../ui/Address'
import { Button } from '../../../ui/Button'
import { Modal } from '../../../ui/Modal'
import { useDebounced } from '../../../ui/useDebounced'
import { DialogActions } from '../../../ui/DialogActions'
import { ReadFailure } from '../../../ui/ReadFailure'

export type Link = { page: string; href: null } | { page: null; href: string }
type Props = { site: string; now: string; onClose: () => void; onTake: (link: Link | null) => void }

/** A link to a page, picked from the tree, or to an address or mail address. */
export function LinkDialog({ site, now, onClose, onTake }: Props) {
    const [text, setText] = useState(now)
    const asked = useDebounced(text.trim(), 80)
    const outside = outsideLink(text.trim())
    const written = /^\/[^\s/\\]\S*$/.test(text.trim()) ? text.trim() : null
    const found = useQuery({ ...goToQuery(site, asked), enabled: asked !== '' && outside === null })
    const hits = found.data ?? []
    const item = 'flex cursor-pointer items-baseline gap-2 rounded px-2.5 py-1.5 data-[selected=true]:bg-heron-soft'
    return (
        <Modal
            open
            onClose={onClose}
            title="Link"
            description="Pick a page from the tree, find one by typing, or type a web or mail address."
            width={520}
        >
            <Command shouldFilter={false} label="Where the link leads" className="rounded-md border border-edge">
                <Command.Input
                    value={text}
                    onValueChange={setText}
                    autoFocus
                    placeholder="Page, https://… or name@…"
                    className="h-9 w-full border-b border-line bg-transparent px-3 outline-none"
                />
                <Command.List className="max-h-[240px] min-h-[40px] overflow-y-auto p-1">
                    {outside !== null && (
                        <Command.Item
                            value="outside"
                            onSelect={() => onTake({ page: null, href: outside })}
                            className={item}
                        >
                            Link to <b className="font-semibold">{outside.replace(/^mailto:/, '')}</b>
                        </Command.Item>
                    )}
                    {asked === '' && <TreePicker site={site} onPick={page => onTake({ page: page.id, href: null })} />}
                    <ReadFailure of={found} />
                    {outside === null &&
                        hits.map(hit => (
                            <Command.Item
                                key={hit.id}
                                value={hit.id}
                                onSelect={() => onTake({ page: hit.id, href: null })}
                                className={item}
                            >
                                <b className="font-semibold">{hit.name}</b>{' '}
                                <span className="truncate font-mono text-[12px] text-ink-3">
                                    {readable(hit.address)}
                                </span>
                            </Command.Item>
                        ))}
                    {outside === null && asked !== '' && hits.length === 0 && written === null && (
                        <p className="px-2.5 py-1.5 text-ink-3">No page has “{asked}” in its name or address.</p>
                    )}
                    {written !== null && (
                        <Command.Item
                            value="written"
                            onSelect={() => onTake({ page: null, href: written })}
                            className={`${item} flex-wrap`}
                        >
                            <span>
                                Link to <b className="font-mono text-[12px] font-semibold break-all">{written}</b>
                            </span>
                            <span className="text-[12px] text-ink-3">
                                as it is written: it does not follow a page that moves
                            </span>
                        </Command.Item>
                    )}
                </Command.List>
            </Command>
            <DialogActions className="mt-3">
                <Button onClick={() => onTake(null)}>Remove link</Button>
                <Button onClick={onClose}>Let it be</Button>
            </DialogActions>
        </Modal>
    )
}

/** What was typed, when it is an address or mail address rather than a name to look for. */
function outsideLink(text: string) {
    if (/^(https?:\/\/|mailto:|tel:)\S+$/i.test(text)) return text
    if (/^[^\s@/]+@[^\s@]+\.[^\s@]+$/.test(text)) return `mailto:${text}`
    if (/^www\.\S+\.\S+$/i.test(text)) return `https://${text}`
    return null
}
