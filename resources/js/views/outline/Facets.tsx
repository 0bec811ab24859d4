import clsx from 'clsx'
import { ChevronDown } from 'lucide-react'
import { DropdownMenu } from 'radix-ui'
import { MenuChoice } from '../../ui/MenuChoice'
import { among, turned } from '../../ui/several'

export type Facets = { state?: string; kind?: string; layout?: string }
type Counts = Record<'state' | 'kind' | 'layout', Record<string, number>>

const words: Record<string, string> = {
    draft: 'Draft',
    review: 'In review',
    live: 'Live',
    offline: 'Offline',
    page: 'Page',
    section: 'Section',
    pointer: 'Pointer',
    download: 'Download',
    home: 'Front page',
}
const titles = { state: 'State', kind: 'Kind', layout: 'Layout' }

/** Filters the outline by states, kinds and layouts, with how many there are of each. */
export function FacetMenus({
    facets,
    counts,
    onFacets,
    onLook,
    only,
}: {
    facets: Facets
    counts: Counts | undefined
    onFacets: (facets: Facets) => void
    onLook: () => void
    only: (keyof Facets)[]
}) {
    return (
        <div className="flex gap-1">
            {only.map(facet => {
                const chosen = among(facets[facet])
                const values = [...new Set([...Object.keys(counts?.[facet] ?? {}), ...chosen])]
                return (
                    <DropdownMenu.Root key={facet} onOpenChange={open => open && onLook()}>
                        <DropdownMenu.Trigger
                            className={clsx(
                                'flex h-[30px] items-center gap-1 rounded px-2 whitespace-nowrap hover:bg-sunk',
                                chosen.length > 0 ? 'font-semibold text-heron' : 'text-ink-2',
                            )}
                        >
                            {chosen.length > 0 ? chosen.map(value => words[value] ?? value).join(', ') : titles[facet]}{' '}
                            <ChevronDown size={13} aria-hidden />
                        </DropdownMenu.Trigger>
                        <DropdownMenu.Portal>
                            <DropdownMenu.Content
                                align="start"
                                sideOffset={4}
                                className="z-50 min-w-[180px] rounded-md bg-sheet p-1 shadow-float"
                            >
                                {values.map(value => (
                                    <MenuChoice
                                        key={value}
                                        isOn={chosen.includes(value)}
                                        word={words[value] ?? value}
                                        count={counts?.[facet][value] ?? 0}
                                        onTurn={() => onFacets({ ...facets, [facet]: turned(facets[facet], value) })}
                                    />
                                ))}
                                {values.length === 0 && (
                                    <p className="px-2.5 py-1 text-ink-3">
                                        {counts === undefined ? 'Counting…' : 'Nothing to choose from.'}
                                    </p>
                                )}
                            </DropdownMenu.Content>
                        </DropdownMenu.Portal>
                    </DropdownMenu.Root>
                )
            })}
        </div>
    )
}
