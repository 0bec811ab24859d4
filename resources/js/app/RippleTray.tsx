import clsx from 'clsx'
import { useEffect, useRef } from 'react'
import { Button } from '../ui/Button'
import { count } from '../ui/count'
import { Kbd } from '../ui/Kbd'
import { useChanges, type Pending } from './changes'
import { Decisions } from './Decisions'
import { RippleAccount } from './RippleAccount'
import { summary } from './rippleGroups'
import { planRows } from './rippleRows'
import { useKey } from '../ui/useKey'
import { useSite } from './site'
import { lazily } from '../ui/lazily'

const Foresight = lazily(() => import('./Foresight').then(part => part.Foresight))

/** At the bottom of every view while something is pending: the account of what follows. */
export function RippleTray({ pending }: { pending: Pending }) {
    const { apply, setAside, takeDefaults, setNote, busy } = useChanges()
    const site = useSite()
    const { ripple } = pending
    const acts = useRef<HTMLButtonElement>(null)
    const open = ripple.decisions
    const talks = ripple.questions.length + ripple.conflicts.length + ripple.account.notes.length > 0
    const ready = ripple.canBeApplied
    useEffect(() => {
        if (ready) acts.current?.focus()
    }, [ready])
    useKey('escape', setAside, 'in-fields')
    useKey('d', open > 0 ? () => void takeDefaults() : null)
    return (
        <section
            aria-label="Ripple"
            className="relative z-20 flex max-h-[52vh] min-h-[168px] flex-col border-t-2 border-heron bg-sheet shadow-float"
        >
            <div className="flex flex-wrap items-center gap-x-2.5 gap-y-2 px-4 pt-3 pb-2">
                <h2 className="text-[16px] font-bold">{pending.title}</h2>
                <p aria-live="polite" className={open > 0 ? 'font-semibold text-amber' : 'text-ink-2'}>
                    {open > 0 ? `${count(open, 'decision')} to make first` : summary(ripple.account)}
                </p>
                <div className="ml-auto flex flex-wrap items-center justify-end gap-2.5">
                    {open > 0 && (
                        <Button aria-keyshortcuts="d" onClick={() => void takeDefaults()}>
                            {open === 1 ? 'Use the default' : `Use ${open} defaults`} <Kbd>D</Kbd>
                        </Button>
                    )}
                    <input
                        aria-label="Note: why you do this"
                        placeholder="Why? (optional note)"
                        value={pending.note}
                        onChange={event => setNote(event.target.value)}
                        maxLength={2000}
                        className="h-[30px] w-[150px] rounded-[5px] border border-edge bg-sheet px-2.5 max-md:hidden"
                    />
                    <Button onClick={setAside}>Cancel</Button>
                    <Button
                        ref={acts}
                        variant="main"
                        onClick={() => void apply()}
                        disabled={busy || !ripple.canBeApplied || ripple.changesNothing}
                    >
                        {actWords(pending)}
                    </Button>
                </div>
            </div>
            {pending.said !== undefined && (
                <p role="alert" className="mx-4 mb-1 rounded bg-amber-soft px-3 py-1.5 text-amber">
                    {pending.said}
                </p>
            )}
            <div
                className={clsx(
                    'grid min-h-0 gap-7 overflow-y-auto px-4 pt-1 pb-4',
                    talks && 'lg:grid-cols-[minmax(0,1fr)_400px]',
                )}
            >
                <div className="min-w-0">
                    <RippleAccount account={ripple.account} rows={planRows(site.key, pending)} />
                    {pending.undo === undefined && ready && !ripple.changesNothing && !busy && (
                        <Foresight site={site.key} wanted={pending} digest={ripple.digest} />
                    )}
                </div>
                {talks && <Decisions pending={pending} />}
            </div>
        </section>
    )
}

/** "Move 5 pages, write 5 redirects". */
function actWords({
    act,
    ripple: {
        account: { counts },
    },
}: Pending) {
    const moves = act === 'Move' && counts.addresses > 1 ? ` ${count(counts.addresses, 'page')}` : ''
    const bins = act === 'Put in bin' && counts.bin > 1 ? `Put ${count(counts.bin, 'page')} in bin` : null
    return (
        (bins ?? act + moves) +
        (counts.redirectsWritten > 0 ? `, write ${count(counts.redirectsWritten, 'redirect')}` : '')
    )
}
