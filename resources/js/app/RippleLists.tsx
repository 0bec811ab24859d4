import clsx from 'clsx'
import type { Schemas } from '../api/client'

type Ripple = Schemas['Ripple']
export type GroupKey = 'addresses' | 'redirectsWritten' | 'redirectsDropped' | 'menu' | 'links' | 'sitemap'

const words: Record<GroupKey, [string, string]> = {
    addresses: ['address moves', 'addresses move'],
    redirectsWritten: ['redirect written', 'redirects written'],
    redirectsDropped: ['redirect dropped', 'redirects dropped'],
    menu: ['menu entry', 'menu entries'],
    links: ['link follows', 'links follow'],
    sitemap: ['sitemap entry', 'sitemap entries'],
}

const menuWords = { appears: 'appears', vanishes: 'vanishes', moves: 'moves', relabels: 'gets this label' }

export function rippleGroups({ counts }: Ripple) {
    return (Object.keys(words) as GroupKey[]).filter(key => counts[key] > 0).map(key => ({ key, count: counts[key], word: words[key][counts[key] === 1 ? 0 : 1] }))
}

type Props = { ripple: Ripple; groups: ReturnType<typeof rippleGroups>; shown: GroupKey; onShow: (key: GroupKey) => void }

/** Counts first; the chosen one's examples below. */
export function RippleLists({ ripple, groups, shown, onShow }: Props) {
    return (
        <div className="min-w-0">
            <div className="mb-2.5 flex flex-wrap gap-6" role="group" aria-label="What follows">
                {groups.map(group => (
                    <button key={group.key} type="button" aria-pressed={group.key === shown} onClick={() => onShow(group.key)} className={clsx('pb-1 text-left text-[12px] leading-4', group.key === shown ? 'text-ink shadow-[inset_0_-2px_var(--heron)]' : 'text-ink-2 hover:text-ink')}>
                        <b className="block text-[20px] leading-6 font-bold text-ink">{group.count.toLocaleString('en-GB')}</b>
                        {group.word}
                    </button>
                ))}
            </div>
            <Examples ripple={ripple} shown={shown} />
        </div>
    )
}

function Examples({ ripple, shown }: { ripple: Ripple; shown: GroupKey }) {
    if (shown === 'links') return <p className="text-ink-2">Links in words lead to the page, not to its address, so they follow by themselves.</p>
    if (shown === 'sitemap') return <p className="text-ink-2">The sitemap is written anew with these entries added, gone or under their new address.</p>
    const rows =
        shown === 'addresses' ? ripple.moves.map(move => <Move key={move.page} move={move} />)
        : shown === 'menu' ? ripple.menu.map(effect => <li key={effect.page}><b className="font-semibold">{effect.label}</b> {menuWords[effect.kind]}{effect.under !== null && effect.kind !== 'vanishes' ? ` under ${effect.under}` : effect.kind === 'vanishes' ? ' from the main menu' : ' on the bar'}</li>)
        : ripple[shown].map(address => <li key={address} className="font-mono text-[13px]">{address}</li>)
    const total = ripple.counts[shown]
    return (
        <>
            <ul className="grid gap-1">{rows}</ul>
            {total > rows.length && <p className="mt-1 text-[12px] text-ink-3">and {(total - rows.length).toLocaleString('en-GB')} more</p>}
        </>
    )
}

function Move({ move }: { move: Schemas['AddressMove'] }) {
    const kept = commonEnd(move.from, move.to)
    const changed = move.to.slice(0, move.to.length - kept)
    return (
        <li className="flex flex-wrap items-baseline gap-x-3 font-mono text-[13px]">
            <span className="text-ink-3">{move.from}</span>
            <span aria-label="becomes">→</span>
            <span><b className="font-[650] text-heron">{changed}</b>{move.to.slice(changed.length)}</span>
            {!move.seen && <span className="font-sans text-[12px] text-ink-3">never live, so no redirect</span>}
        </li>
    )
}

/** How many characters both end in, counted in whole path segments. */
function commonEnd(from: string, to: string) {
    const a = from.split('/').reverse()
    const b = to.split('/').reverse()
    let length = 0
    for (let i = 0; i < Math.min(a.length, b.length) && a[i] === b[i]; i++) length += (a[i]?.length ?? 0) + 1
    return Math.min(length, to.length - 1)
}
