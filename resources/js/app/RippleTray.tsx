import clsx from 'clsx'
import { useEffect, useRef, useState } from 'react'
import { Button } from '../ui/Button'
import { count } from '../ui/count'
import { useChanges, type Pending } from './changes'
import { Decisions } from './Decisions'
import { RippleLists, rippleGroups, type GroupKey } from './RippleLists'

/** At the bottom of every view: closed while nothing is pending; then the account of what follows. */
export function RippleTray() {
    const { pending } = useChanges()
    return pending === null ? <div aria-live="polite" /> : <Tray key={pending.title} pending={pending} />
}

function Tray({ pending }: { pending: Pending }) {
    const { apply, setAside, busy } = useChanges()
    const { ripple } = pending
    const groups = rippleGroups(ripple)
    const [chosen, choose] = useState<GroupKey>('addresses')
    const shown = groups.some(group => group.key === chosen) ? chosen : groups[0]?.key
    const acts = useRef<HTMLButtonElement>(null)
    const open = ripple.conflicts.length
    useEffect(() => acts.current?.focus(), [])
    useEffect(() => {
        const typed = (event: KeyboardEvent) => event.key === 'Escape' && !event.defaultPrevented && setAside()
        addEventListener('keydown', typed)
        return () => removeEventListener('keydown', typed)
    }, [setAside])
    return (
        <section aria-label="Ripple" className="relative z-20 max-h-[46vh] min-h-[168px] overflow-y-auto border-t-2 border-heron bg-sheet px-4 pt-3 pb-4 shadow-float">
            <div className="flex flex-wrap items-center gap-2.5">
                <h2 className="text-[16px] font-bold">{pending.title}</h2>
                <p aria-live="polite" className={open > 0 ? 'font-semibold text-amber' : 'text-ink-2'}>
                    {open > 0 ? `${count(open, 'decision')} before this can be done` : summary(ripple)}
                </p>
                <Button className="ml-auto" onClick={setAside}>Set aside</Button>
                <Button ref={acts} look="main" onClick={() => void apply()} disabled={busy || !ripple.canBeApplied}>{actWords(pending)}</Button>
            </div>
            {pending.said !== undefined && <p role="alert" className="mt-2 rounded bg-amber-soft px-3 py-1.5 text-amber">{pending.said}</p>}
            <div className={clsx('mt-3 grid gap-7', open + ripple.notes.length > 0 && 'lg:grid-cols-[minmax(0,1fr)_392px]')}>
                {groups.length > 0 && shown !== undefined ? <RippleLists ripple={ripple} groups={groups} shown={shown} onShow={choose} /> : <p className="text-ink-2">No address moves and no redirect is needed.</p>}
                {open + ripple.notes.length > 0 && <Decisions pending={pending} />}
            </div>
        </section>
    )
}

function summary({ counts }: Pending['ripple']) {
    const said = [
        counts.addresses > 0 && `${count(counts.addresses, 'address moves', 'addresses move')}`,
        counts.redirectsWritten > 0 && count(counts.redirectsWritten, 'redirect'),
        counts.menu > 0 && count(counts.menu, 'menu entry', 'menu entries'),
    ].filter(Boolean)
    return said.join(', ')
}

/** "Move 5 pages, write 5 redirects". */
function actWords({ act, ripple: { counts } }: Pending) {
    const moves = act === 'Move' && counts.addresses > 1 ? ` ${count(counts.addresses, 'page')}` : ''
    return act + moves + (counts.redirectsWritten > 0 ? `, write ${count(counts.redirectsWritten, 'redirect')}` : '')
}
