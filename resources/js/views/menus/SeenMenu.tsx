import type { Schemas } from '../../api/client'
import { lines, type Entry } from './arrangement'
import { Drawn } from './Drawn'
import type { Search } from './search'

type Props = {
    menu: Schemas['MenuItem']
    looked: Schemas['Menu'] | undefined
    entries: Entry[]
    search: Search
    onEntry: (entry: string) => void
}

/** The menu as somebody sees it. */
export function SeenMenu({ menu, looked, entries, search, onEntry }: Props) {
    const phone = search.width === 'phone'
    return (
        <section aria-label="As visitors see it" className="border-b border-line bg-sunk px-4 py-3.5">
            <div
                className={
                    phone ? 'mx-auto max-w-[340px] rounded-md bg-sheet p-3 shadow-float' : 'rounded-md bg-sheet p-3'
                }
            >
                {looked !== undefined && (
                    <Drawn
                        shown={looked.shown}
                        place={menu.place}
                        kind={menu.kind}
                        phone={phone}
                        entry={search.entry}
                        audiences={new Map(lines(entries).map(line => [line.entry.id, line.entry.audience ?? '']))}
                        onEntry={onEntry}
                    />
                )}
            </div>
        </section>
    )
}
