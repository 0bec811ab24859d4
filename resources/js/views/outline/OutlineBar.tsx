import { Link } from '@tanstack/react-router'
import { Columns3, Network, Replace, Trash2 } from 'lucide-react'
import { lazy, type RefObject } from 'react'
import type { Schemas } from '../../api/client'
import { useSite } from '../../app/site'
import { Button } from '../../ui/Button'
import { count } from '../../ui/count'
import { Hint } from '../../ui/Hint'
import { IconButton } from '../../ui/IconButton'
import { Kbd } from '../../ui/Kbd'
import { MenuButton } from '../../ui/MenuButton'
import { PageTitle } from '../../ui/PageTitle'
import type { Columns } from './columns'
import { FacetMenus, type Facets } from './Facets'

const ColumnChoices = lazy(() => import('./ColumnChoices').then(module => ({ default: module.ColumnChoices })))

type Props = {
    counts: Schemas['Outline']['counts'] | undefined
    compact: boolean
    drawing: boolean
    columns: Columns
    facets: Facets
    facetCounts: Schemas['FilteredOutline']['facets'] | undefined
    field: RefObject<HTMLInputElement | null>
    typed: string
    onType: (text: string) => void
    onLook: () => void
    onTags: () => void
    onFacets: (facets: Facets) => void
    onDrawing: () => void
    onBin: () => void
    onMake: () => void
}

/** Above the rows: how many pages there are, what they are filtered by, and making one. */
export function OutlineBar({ counts, compact, drawing, columns, facets, facetCounts, field, typed, ...on }: Props) {
    const { writes, makes, maySomewhere, key: site } = useSite()
    const { onType, onLook, onTags, onFacets, onDrawing, onBin, onMake } = on
    return (
        <div className="@container flex h-14 min-w-0 shrink-0 items-center gap-3 px-4 max-sm:gap-2">
            <PageTitle help="move">Outline</PageTitle>
            {counts !== undefined && (
                <p
                    // Those that do not fit go to a second line, which nobody sees: none is cut.
                    className="flex h-5 min-w-0 flex-wrap gap-x-3.5 overflow-hidden whitespace-nowrap text-ink-2 max-xl:hidden"
                    aria-label={`${count(counts.pages, 'page')}, ${counts.live} live`}
                >
                    <Count n={counts.pages} word={counts.pages === 1 ? 'page' : 'pages'} />
                    <Count n={counts.live} word="live" />
                    {counts.draft > 0 && !compact && <Count n={counts.draft} word="draft" />}
                    {counts.review > 0 && !compact && (
                        <button
                            type="button"
                            aria-label={`${counts.review} in review: show them`}
                            onClick={() => onFacets({ ...facets, state: 'review' })}
                            className={
                                maySomewhere('publish') ? 'rounded bg-amber-soft px-1.5 text-amber' : 'hover:underline'
                            }
                        >
                            <Count n={counts.review} word="in review" />
                        </button>
                    )}
                    {counts.offline > 0 && !compact && (
                        <Count n={counts.offline} word="offline" className="max-xl:hidden" />
                    )}
                </p>
            )}
            {counts !== undefined && counts.bin > 0 && (
                <button
                    type="button"
                    onClick={onBin}
                    className="flex shrink-0 items-center gap-1 whitespace-nowrap text-ink-2 hover:text-ink max-md:hidden @max-2xl:hidden"
                >
                    <Trash2 size={14} aria-hidden />
                    Bin <b className="font-[650] text-ink">{counts.bin}</b>
                </button>
            )}
            <span className="ml-auto" />
            {writes && (
                <Hint description="Find and replace">
                    <Link
                        to="/s/$site/replace"
                        params={{ site }}
                        aria-label="Find and replace"
                        className="grid size-[30px] shrink-0 place-items-center rounded text-ink-2 hover:bg-sunk max-md:hidden @max-xl:hidden"
                    >
                        <Replace size={16} aria-hidden />
                    </Link>
                </Hint>
            )}
            {!compact && !drawing && (
                <Hint description="Columns">
                    <MenuButton
                        aria-label="Columns"
                        className="grid size-[30px] shrink-0 place-items-center rounded text-ink-2 hover:bg-sunk max-md:hidden"
                        menu={trigger => <ColumnChoices trigger={trigger} columns={columns} />}
                    >
                        <Columns3 size={16} aria-hidden />
                    </MenuButton>
                </Hint>
            )}
            <Hint description={drawing ? 'Back to the rows' : 'A picture of the structure'}>
                <IconButton
                    aria-pressed={drawing}
                    aria-label="Drawing"
                    onClick={onDrawing}
                    className={`${drawing ? 'bg-heron-soft text-heron' : 'text-ink-2'} max-md:hidden @max-xl:hidden`}
                >
                    <Network size={16} aria-hidden />
                </IconButton>
            </Hint>
            <span className="shrink-0 max-lg:hidden">
                <FacetMenus
                    facets={facets}
                    counts={facetCounts}
                    onLook={onLook}
                    onFacets={onFacets}
                    onTags={onTags}
                    only={compact ? ['state'] : ['state', 'kind', 'layout', 'tag']}
                />
            </span>
            <div
                className={`flex h-[30px] shrink-0 items-center gap-2 border-b border-edge max-md:min-w-[110px] max-md:shrink @max-xl:min-w-[90px] @max-xl:shrink ${compact ? 'w-[130px]' : 'w-[172px]'}`}
            >
                <input
                    ref={field}
                    type="search"
                    value={typed}
                    onChange={event => onType(event.target.value)}
                    onKeyDown={event => event.key === 'Escape' && (onType(''), event.currentTarget.blur())}
                    aria-label="Filter by name or address"
                    aria-keyshortcuts="/"
                    placeholder={compact ? 'Filter' : 'Name or address'}
                    className="w-full min-w-0 bg-transparent outline-none"
                />
                <Kbd>/</Kbd>
            </div>
            {makes && (
                <Button variant="main" aria-keyshortcuts="n" onClick={onMake}>
                    Make page
                </Button>
            )}
        </div>
    )
}

function Count({ n, word, className = '' }: { n: number; word: string; className?: string }) {
    return (
        <span className={className}>
            <b className="font-[650] text-ink">{n.toLocaleString('en-GB')}</b> {word}
        </span>
    )
}
