import type { Schemas } from '../api/client'
import { readable } from '../ui/Address'
import { date } from '../ui/time'

/** Who holds an address, in one sentence. */
export function heldBy({ address, held }: Schemas['Conflict']) {
    const since = held.since === null ? '' : ` since ${date(held.since)}`
    const name = held.name ?? ''
    if (held.kind === 'reserved') return `${readable(address)} is reserved: the system answers there itself.`
    if (held.state === 'bin') return `${readable(address)} is kept for “${name}”, in the bin${since}.`
    if (held.kind === 'rule') return `${readable(address)} is held by a redirect${since}.`
    if (held.kind === 'gone') return `${readable(address)} is recorded as gone${since}.`
    if (held.kind === 'redirect') return `${readable(address)} is a redirect to “${name}”${since}.`
    if (held.kind === 'also') return `${readable(address)} is a further address of “${name}”${since}.`
    const state = held.state === 'live' ? '' : `, ${held.state === 'review' ? 'in review' : (held.state ?? 'a page')}`
    return `${readable(address)} is held by “${name}”${state}${since}.`
}

export function wayOutLabel(way: Schemas['WayOut']) {
    const words = {
        'free-slug': `Use ${way.slug ?? ''}`,
        swap: 'Swap the two',
        'replace-redirect': 'Replace the redirect',
        'take-over': 'Take it over',
        'delete-for-good': 'Delete it for good',
        'answer-again': 'Answer there again',
        'stand-in-front': 'Let the redirect answer before it',
        'choose-another': 'Choose another',
    }
    return words[way.kind]
}
