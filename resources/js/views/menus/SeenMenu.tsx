import { useDroppable } from '@dnd-kit/core'
import { useLayoutEffect, useRef, useState } from 'react'
import type { Schemas } from '../../api/client'
import { useAtPointer } from '../../ui/AtPointer'
import { lines, type Entry } from './arrangement'
import type { Seen } from './branches'
import { Drawn } from './Drawn'
import { NameDialog } from '../../ui/NameDialog'
import { SeenActs } from './SeenActs'
import type { Search } from './search'
import type { SeenSpot } from './useEntryDrag'
import type { SeenEditing } from './useSeenEditing'

type Props = {
    menu: Schemas['MenuItem']
    looked: Schemas['Menu'] | undefined
    entries: Entry[]
    search: Search
    chosen: Seen | null
    writes: boolean
    spot: SeenSpot | null
    /** It keeps its height while it is being changed, so that the entries below stay where they are. */
    isSteady: boolean
    editing: SeenEditing
    onSeen: (seen: Seen) => void
}

/** The menu as somebody sees it. What is seen is changed where it is seen. */
export function SeenMenu({ menu, looked, entries, search, chosen, writes, spot, isSteady, editing, onSeen }: Props) {
    const phone = search.width === 'phone'
    const acts = useAtPointer<Schemas['ShownEntry']>()
    const [naming, setNaming] = useState<Schemas['ShownEntry'] | null>(null)
    // What is dropped beside all items comes last.
    const { setNodeRef } = useDroppable({ id: 'seen end', data: { end: true } })
    const frame = useRef<HTMLDivElement>(null)
    useLayoutEffect(() => {
        const box = frame.current
        if (!isSteady || box === null) return
        box.style.height = `${box.offsetHeight}px`
        return () => {
            box.style.height = ''
        }
    }, [isSteady, phone])
    return (
        <section ref={setNodeRef} aria-label="As visitors see it" className="border-b border-line bg-sunk px-4 py-3.5">
            <div
                ref={frame}
                className={
                    phone
                        ? 'mx-auto min-h-[104px] max-w-[340px] overflow-y-auto rounded-md bg-sheet p-3 shadow-float'
                        : 'min-h-[104px] overflow-y-auto rounded-md bg-sheet p-3'
                }
            >
                {looked !== undefined && (
                    <Drawn
                        shown={looked.shown}
                        place={menu.place}
                        kind={menu.kind}
                        phone={phone}
                        chosen={chosen}
                        audiences={new Map(lines(entries).map(line => [line.entry.id, line.entry.audience ?? '']))}
                        writes={writes}
                        spot={spot}
                        onSeen={onSeen}
                        onActs={acts.open}
                    />
                )}
            </div>
            {acts.at !== null && (
                <SeenActs
                    key={`${acts.at.x} ${acts.at.y}`}
                    at={acts.at}
                    editing={editing}
                    onName={setNaming}
                    onClose={acts.close}
                />
            )}
            {naming !== null && (
                <NameDialog
                    title={`Rename ${naming.label} in this menu`}
                    description={
                        naming.kind === 'branch'
                            ? 'Only here: the page keeps its name. The entry stays where it is, and leads to the page.'
                            : 'Only here: what it leads to keeps its name.'
                    }
                    name={naming.label}
                    act="Rename here"
                    onClose={() => setNaming(null)}
                    onName={name => {
                        editing.rename(naming, name)
                        setNaming(null)
                    }}
                />
            )}
        </section>
    )
}
