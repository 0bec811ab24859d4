import clsx from 'clsx'
import { ChevronDown } from 'lucide-react'
import { lazy } from 'react'
import { MenuButton } from '../../ui/MenuButton'
import { lazily } from '../../ui/lazily'
import { among, turned } from '../../ui/several'

const LayoutNames = lazily(() => import('./LayoutNames').then(module => module.LayoutNames))
const FacetChoices = lazy(() => import('./FacetChoices').then(module => ({ default: module.FacetChoices })))

export type Facets = { state?: string; kind?: string; layout?: string; tag?: string }
type Counts = Record<'state' | 'kind' | 'layout' | 'tag', Record<string, number>>

const labels: Record<string, string> = {
    draft: 'Draft',
    review: 'In review',
    live: 'Live',
    offline: 'Offline',
    page: 'Page',
    section: 'Section',
    pointer: 'Pointer',
    download: 'Download',
}
const titles = { state: 'State', kind: 'Kind', layout: 'Layout', tag: 'Tag' }

/** Filters the outline by states, kinds, layouts and tags, with how many there are of each. */
export function FacetMenus({
    facets,
    counts,
    onFacets,
    onLook,
    onTags,
    only,
}: {
    facets: Facets
    counts: Counts | undefined
    onFacets: (facets: Facets) => void
    onLook: () => void
    onTags: () => void
    only: (keyof Facets)[]
}) {
    return (
        <div className="flex gap-1">
            {only.map(facet => {
                const chosen = among(facets[facet])
                const values = [...new Set([...Object.keys(counts?.[facet] ?? {}), ...chosen])]
                return (
                    <MenuButton
                        key={facet}
                        onClick={onLook}
                        className={clsx(
                            'flex h-[30px] items-center gap-1 rounded px-2 whitespace-nowrap hover:bg-sunk',
                            chosen.length > 0 ? 'font-semibold text-heron' : 'text-ink-2',
                        )}
                        menu={trigger => (
                            <FacetChoices
                                trigger={trigger}
                                onOpen={open => open && onLook()}
                                counted={counts !== undefined}
                                choices={values.map(value => ({
                                    value,
                                    isOn: chosen.includes(value),
                                    label:
                                        facet === 'layout' ? <LayoutNames keys={[value]} /> : (labels[value] ?? value),
                                    count: counts?.[facet][value] ?? 0,
                                }))}
                                onTurn={value => onFacets({ ...facets, [facet]: turned(facets[facet], value) })}
                                {...(facet === 'tag' ? { more: ['All tags…', onTags] as const } : {})}
                            />
                        )}
                    >
                        {chosen.length === 0 ? (
                            titles[facet]
                        ) : facet === 'layout' ? (
                            <LayoutNames keys={chosen} />
                        ) : (
                            chosen.map(value => labels[value] ?? value).join(', ')
                        )}{' '}
                        <ChevronDown size={13} aria-hidden />
                    </MenuButton>
                )
            })}
        </div>
    )
}
