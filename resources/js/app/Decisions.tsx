import type { Schemas } from '../api/client'
import { Button } from '../ui/Button'
import { useState } from 'react'
import { date } from '../ui/time'
import { useChanges, type Pending } from './changes'
import { readable } from '../ui/Address'

/** What has to be decided, and what should not come as a surprise. */
export function Decisions({ pending }: { pending: Pending }) {
    const { conflicts, notes } = pending.ripple
    return (
        <div className="grid content-start gap-4">
            {conflicts.map(conflict => <ConflictView key={conflict.address} conflict={conflict} />)}
            {notes.length > 0 && (
                <ul className="grid gap-1.5 border-l-2 border-amber pl-4">
                    {notes.map(note => <li key={note.kind + note.page}><Note note={note} /></li>)}
                </ul>
            )}
        </div>
    )
}

/** Who holds an address, in one sentence. */
export function heldBy({ address, held }: Schemas['Conflict']) {
    const since = held.since === null ? '' : ` since ${date(held.since)}`
    if (held.kind === 'reserved') return `${readable(address)} is reserved: the system answers there itself.`
    if (held.kind === 'redirect') return `${readable(address)} is a redirect to “${held.name ?? ''}”${since}.`
    const state = held.state === 'live' ? '' : `, ${held.state ?? 'a page'}`
    return `${readable(address)} is held by “${held.name ?? ''}”${state}${since}.`
}

function ConflictView({ conflict }: { conflict: Schemas['Conflict'] }) {
    const { amend } = useChanges()
    const [typing, setTyping] = useState(false)
    const [slug, setSlug] = useState('')
    return (
        <div className="border-l-2 border-amber pl-4">
            <h3 className="font-semibold text-amber">To decide</h3>
            <p className="mb-2">{heldBy(conflict)}</p>
            <div className="flex flex-wrap gap-2">
                {conflict.waysOut.map(way =>
                    way.kind === 'choose-another' ? (
                        <Button key={way.kind} onClick={() => setTyping(true)}>Choose another slug</Button>
                    ) : (
                        <Button key={way.kind} onClick={() => void amend(way)}>{wayWords(way)}</Button>
                    ),
                )}
            </div>
            {typing && (
                <form className="mt-2 flex gap-2" onSubmit={event => { event.preventDefault(); void amend({ changes: [{ kind: 'set-slug', page: conflict.page, slug }] }) }}>
                    <input autoFocus aria-label="Another slug" value={slug} onChange={event => setSlug(event.target.value)} className="h-[30px] w-full rounded-[5px] border border-edge bg-sheet px-2 font-mono text-[13px]" />
                    <Button type="submit" disabled={slug.trim() === ''}>Use it</Button>
                </form>
            )}
        </div>
    )
}

export function wayWords(way: Schemas['WayOut']) {
    if (way.kind === 'free-slug') return `Use ${way.slug ?? ''}`
    if (way.kind === 'swap') return 'Swap the two'
    return 'Replace the redirect'
}

function Note({ note }: { note: Schemas['RippleNote'] }) {
    if (note.kind === 'live-under-hidden') return <>“{note.name}” is live, and “{note.other}” above it is not: visitors find it only by its address.</>
    if (note.kind === 'start-page-hidden') return <>“{note.name}” is the start page: visitors of the site's front door get “page not found”.</>
    return <>The address that visitors know for “{note.name}” answers with “{note.other}” from now on.</>
}
