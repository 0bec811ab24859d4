import clsx from 'clsx'
import { useSite } from '../../app/site'
import { PageTitle } from '../../ui/PageTitle'
import { Crawling } from './Crawling'
import { Findings } from './Findings'
import { Grid } from './Grid'
import { LinkGraph } from './LinkGraph'
import { Links } from './Links'
import { Overview } from './Overview'
import { Patterns } from './Patterns'
import { Searches } from './Searches'
import { useAuditFollowed } from './useAuditFollowed'
import type { OpenFault, OpenPage, Search, SetSearch } from './search'

const parts = [
    [undefined, 'Overview'],
    ['findings', 'Findings'],
    ['grid', 'Titles and descriptions'],
    ['patterns', 'Patterns'],
    ['links', 'Links'],
    ['crawling', 'Robots and sitemap'],
    ['searches', 'Site search'],
] as const

type Props = {
    search: Search
    set: SetSearch
    onPage: OpenPage
    onEntry: (entry: string) => void
    onFault: OpenFault
}

/** Whether search engines and people can find the site, and what keeps them from it. */
export function FindabilityView({ search, set, onPage, onEntry, onFault }: Props) {
    const site = useSite()
    useAuditFollowed(site.key)
    // The drawing of the links is a way of looking at them.
    const open = search.part === 'drawing' ? 'links' : search.part
    const clean = { check: undefined, text: undefined, state: undefined, layout: undefined, branch: undefined }
    return (
        <main className="flex h-full min-h-0 min-w-0 flex-col">
            <div className="flex min-h-14 flex-wrap items-center gap-x-6 gap-y-2 border-b border-line px-4 py-2">
                <PageTitle help="search-texts">Findability</PageTitle>
                <nav aria-label="Parts of Findability" className="flex flex-wrap gap-4">
                    {parts.map(([part, label]) => (
                        <button
                            key={label}
                            type="button"
                            aria-current={open === part ? 'page' : undefined}
                            onClick={() => set({ part, ...clean })}
                            className={clsx(
                                'py-1',
                                open === part
                                    ? 'font-[650] text-ink shadow-[inset_0_-2px_var(--heron)]'
                                    : 'text-ink-2 hover:text-ink',
                            )}
                        >
                            {label}
                        </button>
                    ))}
                </nav>
            </div>
            {search.part === undefined && (
                <Overview site={site.key} onEntry={onEntry} onCheck={check => set({ part: 'findings', check })} />
            )}
            {search.part === 'findings' && (
                <Findings search={search} set={set} onPage={onPage} onEntry={onEntry} onFault={onFault} />
            )}
            {search.part === 'grid' && <Grid search={search} set={set} onPage={onPage} />}
            {search.part === 'patterns' && <Patterns onPage={onPage} />}
            {search.part === 'links' && <Links onPage={onPage} onDraw={() => set({ part: 'drawing' })} />}
            {search.part === 'drawing' && <LinkGraph onPage={onPage} onLists={() => set({ part: 'links' })} />}
            {search.part === 'crawling' && <Crawling onPage={onPage} />}
            {search.part === 'searches' && <Searches onPage={onPage} />}
        </main>
    )
}
