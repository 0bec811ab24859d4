import { Command } from 'cmdk'
import { useState } from 'react'
import { readable } from '../ui/Address'
import { Modal } from '../ui/Modal'
import { useSite } from './site'
import { TreePicker } from './TreePicker'
import { useFoundPages } from './useFoundPages'
import { ReadFailure } from '../ui/ReadFailure'

type Picked = { id: string; name: string }

/** Picks a page from the tree, or by any part of its name or address. */
export function PickPage({
    open,
    title,
    onClose,
    onPick,
    top,
}: {
    open: boolean
    title: string
    onClose: () => void
    onPick: (page: Picked) => void
    top?: boolean
}) {
    return (
        <Modal open={open} onClose={onClose} title={title} width={520}>
            <PageList onPick={onPick} top={top === true} />
        </Modal>
    )
}

export function PageList({
    onPick,
    top = false,
    without,
    chosen = null,
}: {
    onPick: (page: Picked) => void
    top?: boolean
    without?: string
    chosen?: string | null
}) {
    const site = useSite()
    const [text, setText] = useState('')
    const { asked, found, settled, hits } = useFoundPages(text.trim())
    // Until the hits of what was typed are there, nothing stands to be picked: Enter must not take a page of the tree, or of an earlier search.
    const isTree = text.trim() === ''
    const isFound = !isTree && settled
    const [at, setAt] = useState('')
    // Enter must always mean something that is there: the first hit, unless one has walked to another.
    const shown = hits.filter(hit => hit.id !== without)
    const here = !isTree && !shown.some(hit => hit.id === at) ? (shown[0]?.id ?? '') : at
    const item = 'flex cursor-pointer items-baseline gap-2 rounded px-2.5 py-1.5 data-[selected=true]:bg-heron-soft'
    return (
        <Command
            shouldFilter={false}
            value={here}
            onValueChange={setAt}
            label="Choose a page"
            className="rounded-md border border-edge"
        >
            <Command.Input
                value={text}
                onValueChange={setText}
                autoFocus
                placeholder="Find a page"
                className="h-9 w-full border-b border-line bg-transparent px-3 outline-none"
            />
            <Command.List className="h-[min(280px,40vh)] overflow-y-auto p-1">
                {top && isTree && (
                    <Command.Item value="top" onSelect={() => onPick({ id: 'top', name: 'the top' })} className={item}>
                        To the top of the tree
                        {chosen === 'top' && <b className="ml-auto text-[12px] text-heron">chosen</b>}
                    </Command.Item>
                )}
                {isTree && (
                    <TreePicker
                        site={site.key}
                        chosen={chosen}
                        onPick={onPick}
                        {...(without === undefined ? {} : { without })}
                    />
                )}
                {shown.map(hit => (
                    <Command.Item
                        key={hit.id}
                        value={hit.id}
                        onSelect={() => onPick({ id: hit.id, name: hit.name })}
                        className={item}
                    >
                        <b className="font-semibold">{hit.name}</b>{' '}
                        <span className="truncate font-mono text-[12px] text-ink-3">{readable(hit.address)}</span>
                        {chosen === hit.id && <b className="ml-auto text-[12px] text-heron">chosen</b>}
                    </Command.Item>
                ))}
                <ReadFailure of={found} />
                {isFound && shown.length === 0 && !found.isError && (
                    <p className="px-2.5 py-1.5 text-ink-3">No page has “{asked}” in its name or address.</p>
                )}
            </Command.List>
        </Command>
    )
}
