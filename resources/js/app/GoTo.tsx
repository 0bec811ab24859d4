import { useNavigate } from '@tanstack/react-router'
import { Command } from 'cmdk'
import { ArrowRight } from 'lucide-react'
import { Dialog } from 'radix-ui'
import { useEffect, useEffectEvent, useState } from 'react'
import { ulid } from '../api/ulid'
import { readable } from '../ui/Address'
import { Kbd } from '../ui/Kbd'
import { StateChip } from '../ui/StateChip'
import { useChanges } from './changes'
import { useSite } from './site'
import { useFoundPages } from './useFoundPages'
import { commandsFor, useCommands, type Command as Doable } from './useCommands'
import { ReadFailure } from '../ui/ReadFailure'

type Props = { open: boolean; onClose: () => void; onKeys: () => void }

/** Go to a page by what one remembers of it, do something by its name, or make a page of that name. */
export function GoTo({ open, onClose, onKeys }: Props) {
    return (
        <Dialog.Root open={open} onOpenChange={now => now || onClose()}>
            <Dialog.Portal>
                <Dialog.Overlay className="fixed inset-0 z-40 bg-[rgb(22_38_47/0.25)]" />
                <Dialog.Content
                    aria-describedby={undefined}
                    className="fixed top-2 left-1/2 z-50 w-[560px] max-w-[calc(100vw-24px)] -translate-x-1/2 overflow-hidden rounded-lg bg-sheet shadow-float"
                >
                    <Dialog.Title className="sr-only">Go to a page, or do something</Dialog.Title>
                    <Finder onClose={onClose} onKeys={onKeys} />
                </Dialog.Content>
            </Dialog.Portal>
        </Dialog.Root>
    )
}

/** Commands shown at once. */
const MOST_COMMANDS = 6

function Finder({ onClose, onKeys }: Omit<Props, 'open'>) {
    const site = useSite()
    const navigate = useNavigate()
    const { propose } = useChanges()
    const [text, setText] = useState('')
    // Enter that came before the answer to what is typed: it is for what is found then.
    const [entered, enter] = useState(false)
    const typed = text.trim()
    // Enter waits until it is settled: it must never take an older hit, or make a page unasked.
    const { asked, found, settled, hits: now } = useFoundPages(typed)
    // What was found last stays until all of the next is there.
    const [{ words, hits }, keep] = useState({ words: '', hits: now })
    if (settled && (words !== typed || hits !== now)) keep({ words: typed, hits: now })
    const same = hits.find(hit => hit.exact)
    const commands = useCommands(onKeys)
    const fitting = commandsFor(commands, words).slice(0, MOST_COMMANDS)
    const [first, others] = hits.some(hit => hit.by === 'name') ? [hits, fitting] : [[], fitting]
    // What one does comes before pages that only mention it.
    const later = first.length > 0 ? [] : hits

    const goTo = (page: string) => settled && show(page)
    const show = (page: string) => {
        onClose()
        void navigate({
            to: '/s/$site/outline',
            params: { site: site.key },
            search: previous => ({ open: 'open' in previous ? (previous.open as string) : undefined, row: page, page }),
        })
    }
    const run = (command: Doable) => {
        onClose()
        // What is done may take the focus, once the field has let it go.
        setTimeout(command.run)
    }
    const goOn = useEffectEvent(() => {
        if (first[0] !== undefined) show(first[0].id)
        else if (others[0] !== undefined) run(others[0])
    })
    useEffect(() => {
        if (settled && entered) goOn()
    }, [entered, settled])
    const make = () => {
        const page = ulid()
        onClose()
        void propose({
            title: `Making ${typed}`,
            act: 'Make page',
            batch: { changes: [{ kind: 'make', page, name: typed, place: { last: null } }] },
            done: () => show(page),
        })
    }
    const row =
        'grid cursor-pointer grid-cols-[1fr_auto] items-baseline gap-x-3 rounded px-3 py-1.5 data-[selected=true]:bg-heron-soft'
    const pageLine = (hit: (typeof hits)[number]) => (
        <Command.Item
            key={hit.id}
            value={hit.id}
            onSelect={() => goTo(hit.id)}
            // Who clicks has seen what is there, also if an answer to what was typed since is on its way.
            onClickCapture={event => {
                event.stopPropagation()
                show(hit.id)
            }}
            className={row}
        >
            <span className="truncate">
                <b className="font-semibold">{hit.name}</b>
                {hit.within !== null && <span className="text-[12px] text-ink-3"> in {hit.within}</span>}
            </span>
            <span className="justify-self-end">
                <StateChip state={hit.state} />
            </span>
            <span className="truncate font-mono text-[12px] text-ink-3">{readable(hit.address)}</span>
            {hit.by !== 'name' && (
                <span className="text-right text-[12px] text-ink-3">
                    {hit.by === 'content' ? 'in its content' : 'similar spelling'}
                </span>
            )}
        </Command.Item>
    )
    const commandLine = (command: Doable) => (
        <Command.Item
            key={command.name}
            value={`do ${command.name}`}
            onSelect={() => settled && run(command)}
            // As with a page: who clicks has seen it.
            onClickCapture={event => {
                event.stopPropagation()
                run(command)
            }}
            className={row}
        >
            <span className="flex min-w-0 items-baseline gap-2">
                <ArrowRight size={13} className="shrink-0 self-center text-heron" aria-hidden />
                <span className="truncate">
                    {command.name}
                    {command.of !== undefined && <span className="text-[12px] text-ink-3"> · {command.of}</span>}
                </span>
            </span>
            <span className="flex gap-1">
                {command.keys?.split(' ').map(key => (
                    <Kbd key={key}>{key}</Kbd>
                ))}
            </span>
        </Command.Item>
    )
    return (
        <Command shouldFilter={false} loop label="Go to a page, or do something">
            <Command.Input
                value={text}
                onValueChange={now => {
                    setText(now)
                    enter(false)
                }}
                onKeyDown={event => event.key === 'Enter' && !settled && enter(true)}
                autoFocus
                placeholder="A page by its words, or what to do"
                className="h-11 w-full border-b border-line bg-transparent px-4 text-[15px] outline-none"
            />
            <Command.List className="max-h-[56vh] overflow-y-auto p-1.5">
                {typed === '' && (
                    <p className="px-3 py-2 text-ink-3">
                        Type words of a page – its name, address or content, in any order – or what to do: “new
                        redirect”, “move”, “retire”.
                    </p>
                )}
                <ReadFailure of={found} />
                {first.map(pageLine)}
                {others.map(commandLine)}
                {later.map(pageLine)}
                {asked !== '' && hits.length === 0 && settled && found.isSuccess && (
                    <p className="px-3 py-2 text-ink-3">
                        No page has all of “{asked}” in its name, address or content.
                    </p>
                )}
                {typed !== '' && settled && found.isSuccess && site.writes && (
                    <Command.Item value="make" onSelect={make} className={`${row} mt-1 border-t border-line`}>
                        <span>
                            Make a page named <b className="font-semibold">{typed}</b>
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
