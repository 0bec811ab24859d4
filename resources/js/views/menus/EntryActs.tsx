import type { ReactNode } from 'react'
import { Button } from '../../ui/Button'
import { dissolve, step, type Entry, type Step } from './arrangement'

type Props = {
    entry: Entry
    entries: Entry[]
    picks: boolean
    toMenu: ReactNode
    onArrange: (entries: Entry[]) => void
    onOut: () => void
}
const moves: [Step, string][] = [
    ['up', 'Up'],
    ['down', 'Down'],
    ['in', 'Under the one above'],
    ['out', 'Out'],
]

/** Moving an entry step by step, into another menu, and out of this one. */
export function EntryActs({ entry, entries, picks, toMenu, onArrange, onOut }: Props) {
    return (
        <>
            <div className="flex flex-wrap gap-1.5 border-t border-line pt-3">
                {moves
                    .filter(([to]) => !picks || to === 'up' || to === 'down')
                    .map(([to, label]) => (
                        <Button
                            key={to}
                            className="h-7! px-2! text-[12px]"
                            disabled={step(entries, entry.id, to) === entries}
                            onClick={() => onArrange(step(entries, entry.id, to))}
                        >
                            {label}
                        </Button>
                    ))}
            </div>
            <div className="flex flex-wrap gap-2">
                {toMenu}
                <Button variant="breaks" onClick={onOut}>
                    Remove
                </Button>
                {(entry.entries ?? []).length > 0 && (
                    <Button onClick={() => onArrange(dissolve(entries, entry.id))}>Remove, keep what is inside</Button>
                )}
            </div>
        </>
    )
}
