import { useState } from 'react'
import type { Schemas } from '../../api/client'
import { Muted } from '../../ui/Muted'
import { nameOf, type Changed, type Entry } from './arrangement'
import { BranchFields } from './BranchFields'
import type { Seen } from './branches'
import { EntryPickers, type Picking } from './EntryPickers'
import { hiddenWords } from './labels'

type Shown = Schemas['ShownEntry']
type Props = {
    entry: Entry
    shown: Shown[]
    writes: boolean
    onChange: (fields: Changed) => void
    onSeen: (seen: Seen) => void
}

/** A menu that is filled from the tree alone: how, and what of it is not seen by whom. Stands where entries would stand. */
export function BranchAtRest({ entry, shown, writes, onChange, onSeen }: Props) {
    const [picking, setPicking] = useState<Picking | null>(null)
    const unseen = hiddenIn(shown)
    return (
        <section aria-label="How it is filled" className="grid max-w-[860px] gap-x-12 gap-y-5 px-4 pb-8 md:grid-cols-2">
            <div className="grid content-start gap-3">
                <h2 className="font-semibold">
                    {entry.page == null
                        ? 'Filled with the pages at the top of the tree'
                        : `Filled with what is inside ${nameOf(entry)}`}
                </h2>
                <Muted>
                    New pages appear here by themselves. Click an item above to rename it or leave it out; drag it to
                    another place.
                </Muted>
                <BranchFields
                    entry={entry}
                    writes={writes}
                    onChange={onChange}
                    onPick={setPicking}
                    error={() => undefined}
                />
            </div>
            <div className="grid content-start gap-2">
                <h2 className="font-semibold">Not seen by everyone</h2>
                {unseen.length === 0 && <Muted>Whoever is chosen above sees every item.</Muted>}
                <ul>
                    {unseen.map(one => (
                        <li
                            key={`${one.entry} ${one.page ?? ''}`}
                            className="flex items-baseline gap-3 border-b border-line py-1"
                        >
                            <button
                                type="button"
                                className="min-w-0 truncate text-left hover:underline"
                                onClick={() => onSeen({ entry: one.entry, page: one.page })}
                            >
                                {one.label}
                            </button>
                            <span className="ml-auto text-[13px] text-amber">{hiddenWords(one)}</span>
                        </li>
                    ))}
                </ul>
            </div>
            <EntryPickers entry={entry} picking={picking} onChange={onChange} onClose={() => setPicking(null)} />
        </section>
    )
}

const hiddenIn = (shown: Shown[]): Shown[] =>
    shown.flatMap(one => [...(one.hidden === null ? [] : [one]), ...hiddenIn(one.under)])
