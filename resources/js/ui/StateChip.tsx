import clsx from 'clsx'
import type { Schemas } from '../api/client'

const words = { draft: 'Draft', live: 'Live', offline: 'Offline' }

/** A page's state in a word; colour only helps. */
export function StateChip({ state, edited, listed = true }: { state: Schemas['State']; edited?: boolean; listed?: boolean }) {
    const said = [words[state], ...(listed ? [] : ['unlisted']), ...(edited ? ['edited'] : [])].join(', ')
    return (
        <span className={clsx('text-[12px] leading-[18px] whitespace-nowrap', state === 'live' && 'text-reed', state === 'draft' && 'rounded-full border border-dashed border-edge px-2 leading-4 text-ink-2', state === 'offline' && 'rounded-full bg-amber-soft px-2 text-amber')}>
            {said}
        </span>
    )
}
