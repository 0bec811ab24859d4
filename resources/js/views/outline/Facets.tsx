import clsx from 'clsx'
import { Check, ChevronDown } from 'lucide-react'
import { DropdownMenu } from 'radix-ui'

export type Facets = { state?: string; kind?: string; layout?: string }
type Counts = Record<'state' | 'kind' | 'layout', Record<string, number>>

const words: Record<string, string> = { draft: 'Draft', review: 'In review', live: 'Live', offline: 'Offline', page: 'Page', section: 'Section', pointer: 'Pointer', download: 'Download', home: 'Front page' }
const titles = { state: 'State', kind: 'Kind', layout: 'Layout' }

/** Narrows the outline to states, kinds and layouts, with how many there are of each. */
export function FacetMenus({ facets, counts, onFacets, onLook, only }: { facets: Facets; counts: Counts | undefined; onFacets: (facets: Facets) => void; onLook: () => void; only: (keyof Facets)[] }) {
    return (
        <div className="flex gap-1">
            {only.map(facet => {
                const chosen = (facets[facet] ?? '').split(',').filter(Boolean)
                const turn = (value: string) => onFacets({ ...facets, [facet]: (chosen.includes(value) ? chosen.filter(each => each !== value) : [...chosen, value]).join(',') || undefined })
                const values = [...new Set([...Object.keys(counts?.[facet] ?? {}), ...chosen])]
                return (
                    <DropdownMenu.Root key={facet} onOpenChange={open => open && onLook()}>
                        <DropdownMenu.Trigger className={clsx('flex h-[30px] items-center gap-1 rounded px-2 whitespace-nowrap hover:bg-sunk', chosen.length > 0 ? 'font-semibold text-heron' : 'text-ink-2')}>
                            {chosen.length > 0 ? chosen.map(value => words[value] ?? value).join(', ') : titles[facet]} <ChevronDown size={13} aria-hidden />
                        </DropdownMenu.Trigger>
                        <DropdownMenu.Portal>
                            <DropdownMenu.Content align="start" sideOffset={4} className="z-50 min-w-[180px] rounded-md bg-sheet p-1 shadow-float">
                                {values.map(value => (
                                    <DropdownMenu.CheckboxItem key={value} checked={chosen.includes(value)} onCheckedChange={() => turn(value)} onSelect={event => event.preventDefault()} className="flex cursor-pointer items-center gap-2 rounded px-2.5 py-1 outline-none data-[highlighted]:bg-heron-soft">
                                        <span className="grid size-4 place-items-center"><DropdownMenu.ItemIndicator><Check size={14} aria-hidden /></DropdownMenu.ItemIndicator></span>
                                        {words[value] ?? value}
                                        <span className="ml-auto text-ink-3">{(counts?.[facet][value] ?? 0).toLocaleString('en-GB')}</span>
                                    </DropdownMenu.CheckboxItem>
                                ))}
                                {values.length === 0 && <p className="px-2.5 py-1 text-ink-3">{counts === undefined ? 'Counting…' : 'Nothing to choose from.'}</p>}
                            </DropdownMenu.Content>
                        </DropdownMenu.Portal>
                    </DropdownMenu.Root>
                )
            })}
        </div>
    )
}
