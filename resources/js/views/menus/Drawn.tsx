import clsx from 'clsx'
import { ChevronDown, ChevronRight } from 'lucide-react'
import { useState, type MouseEvent } from 'react'
import type { Schemas } from '../../api/client'
import type { Seen } from './branches'
import { SeenItem } from './SeenItem'
import type { SeenSpot } from './useEntryDrag'

type Shown = Schemas['ShownEntry']
type Props = {
    shown: Shown[]
    place: string | null
    kind: 'menu' | 'picks'
    phone: boolean
    chosen: Seen | null
    audiences: Map<string, string>
    writes: boolean
    spot: SeenSpot | null
    onSeen: (seen: Seen) => void
    onActs: (event: MouseEvent, one: Shown) => void
}

/** The menu as somebody gets it, in the shape that its place has; what they do not see is outlined with the reason. */
export function Drawn(props: Props) {
    const { shown, place, kind, phone } = props
    if (shown.length === 0)
        return (
            <p className="px-1 py-6 text-ink-3">Nothing is shown here yet. Add a page, a branch or a heading below.</p>
        )
    if (kind === 'picks') {
        return (
            <ul className={clsx('grid gap-2.5', phone ? 'grid-cols-1' : 'grid-cols-3')}>
                {shown.map((pick, i) => (
                    <li key={pick.entry + i} className="min-h-[64px] rounded-md bg-sunk p-2.5">
                        {pick.picture !== null && (
                            <img
                                src={pick.picture}
                                alt=""
                                draggable={false}
                                className="mb-1.5 aspect-video w-full rounded object-cover"
                            />
                        )}
                        <One {...props} one={pick} strong across={!phone} />
                        {pick.text !== '' && (
                            <p className="mt-0.5 line-clamp-2 px-1.5 text-[12px] leading-4 text-ink-2">{pick.text}</p>
                        )}
                    </li>
                ))}
            </ul>
        )
    }
    if (phone)
        return (
            <ul className="grid">
                {shown.map((entry, i) => (
                    <Folded key={entry.entry + (entry.page ?? i)} {...props} entry={entry} />
                ))}
            </ul>
        )
    const flat = place !== 'main' && place !== 'footer'
    return (
        <ul
            className={clsx(
                'gap-x-5 gap-y-3',
                // As wide as its longest word: what does not fit is scrolled to, and no word is broken.
                flat ? 'flex flex-wrap' : 'grid auto-cols-[minmax(min-content,1fr)] grid-flow-col overflow-x-auto pb-1',
            )}
        >
            {shown.map((entry, i) => (
                <li key={entry.entry + (entry.page ?? i)} className="min-w-0">
                    <One {...props} one={entry} strong={place !== 'quick'} across />
                    <Below {...props} entry={entry} className={flat ? 'pl-4' : 'border-t border-line pt-1.5'} />
                </li>
            ))}
        </ul>
    )
}

/** One of the first level as telephones have it: what is below it unfolds at a touch. */
function Folded({ entry, ...props }: Props & { entry: Shown }) {
    const [isOpen, setOpen] = useState(false)
    const Fold = isOpen ? ChevronDown : ChevronRight
    return (
        <li className="border-b border-line py-1">
            <div className="flex items-center">
                <span className="min-w-0 flex-1">
                    <One {...props} one={entry} strong across={false} />
                </span>
                {entry.under.length > 0 && (
                    <button
                        type="button"
                        aria-expanded={isOpen}
                        aria-label={`${isOpen ? 'Fold' : 'Unfold'} ${entry.label}`}
                        onClick={() => setOpen(!isOpen)}
                        className="grid size-7 place-items-center rounded text-ink-2 hover:bg-sunk"
                    >
                        <Fold size={16} aria-hidden />
                    </button>
                )}
            </div>
            {isOpen && <Below {...props} entry={entry} className="pl-4" />}
        </li>
    )
}

function Below({ entry, className, ...props }: Props & { entry: Shown; className: string }) {
    if (entry.under.length === 0) return null
    return (
        <ul className={clsx('mt-1.5 grid gap-1', className)}>
            {entry.under.map((below, n) => (
                <li key={below.entry + (below.page ?? n)} className="min-w-0">
                    <One {...props} one={below} strong={false} across={false} />
                </li>
            ))}
        </ul>
    )
}

function One({
    one,
    strong,
    across,
    chosen,
    audiences,
    writes,
    spot,
    onSeen,
    onActs,
}: Props & { one: Shown; strong: boolean; across: boolean }) {
    return (
        <SeenItem
            one={one}
            strong={strong}
            across={across}
            isChosen={chosen?.entry === one.entry && (one.kind !== 'branch' || chosen.page === one.page)}
            writes={writes}
            audience={audiences.get(one.entry)}
            spot={spot}
            onSeen={onSeen}
            onActs={onActs}
        />
    )
}
