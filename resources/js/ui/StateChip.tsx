import clsx from 'clsx'
import type { Schemas } from '../api/client'
import { shortDate } from './time'

type Props = {
    state: Schemas['State']
    edited?: boolean
    listed?: boolean
    from?: string | null
    until?: string | null
}

/** A page's state in a word; colour only helps. */
export function StateChip({ state, edited, listed = true, from = null, until = null }: Props) {
    const said = [stateWords(state, from, until), ...(listed ? [] : ['unlisted']), ...(edited ? ['edited'] : [])].join(
        ', ',
    )
    const waits = state !== 'live' && from !== null
    return (
        <span
            className={clsx(
                'text-[12px] leading-[18px] whitespace-nowrap',
                state === 'live' && 'text-reed',
                state === 'draft' &&
                    !waits &&
                    'rounded-full border border-dashed border-edge px-2 leading-4 text-ink-2',
                state === 'review' && 'rounded-full border border-heron px-2 leading-4 text-heron',
                waits && 'rounded-full border border-heron bg-heron-soft px-2 leading-4 text-heron',
                state === 'offline' && !waits && 'rounded-full bg-amber-soft px-2 text-amber',
                state === 'bin' && 'rounded-full bg-berry-soft px-2 text-berry',
            )}
        >
            {said}
        </span>
    )
}

export function stateWords(state: Schemas['State'], from: string | null, until: string | null) {
    if (state !== 'live' && state !== 'bin' && from !== null) return `From ${shortDate(from)}`
    if (state === 'live') return until === null ? 'Live' : `Live until ${shortDate(until)}`
    if (state === 'offline') return until === null ? 'Offline' : 'Ended'
    return { draft: 'Draft', review: 'In review', bin: 'In the bin' }[state]
}
