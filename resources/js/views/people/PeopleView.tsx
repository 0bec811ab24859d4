import { useQuery } from '@tanstack/react-query'
import { Tabs } from 'radix-ui'
import type { PeopleSearch } from '../../app/peopleSearch'
import { useSite } from '../../app/site'
import { lazily } from '../../ui/lazily'
import { PageTitle } from '../../ui/PageTitle'
import { PeopleList } from './PeopleList'
import { peopleQuery } from './queries'
import { RightsGrid } from './RightsGrid'
import { RolesList } from './RolesList'

const SecurityLog = lazily(() => import('./SecurityLog').then(module => module.SecurityLog))
const VisitorsPart = lazily(() => import('../visitors/VisitorsPart').then(module => module.VisitorsPart))

type Part = 'people' | NonNullable<PeopleSearch['show']>

type Props = { search: PeopleSearch; set: (change: Partial<PeopleSearch>) => void }

/** Who works on the site, in which roles, and what these may do. */
export function PeopleView({ search, set }: Props) {
    const site = useSite()
    // What is below the people comes when they have.
    const people = useQuery(peopleQuery(site.key))
    const title = (
        <div className="self-center">
            <PageTitle>People</PageTitle>
        </div>
    )
    const bar = 'flex h-14 shrink-0 items-end gap-6 border-b border-line px-4'
    const looksAfter = site.may('people')
    const parts: [Part, string][] = [
        ['people', looksAfter ? 'People and roles' : 'People'],
        ...(looksAfter ? [['rights', 'Rights'] as [Part, string]] : []),
        ...(site.may('access') ? [['visitors', 'Visitors'] as [Part, string]] : []),
        ...(looksAfter ? [['log', 'Log'] as [Part, string]] : []),
    ]
    if (parts.length === 1)
        return (
            <main className="flex h-full min-h-0 flex-col">
                <div className={bar}>
                    {title}
                    <p className="ml-auto self-center text-[13px] text-ink-3">
                        An owner says who works here and what they may do.
                    </p>
                </div>
                <div className="min-h-0 max-w-[1072px] flex-1 overflow-y-auto p-4">
                    <PeopleList />
                </div>
            </main>
        )
    const shown = parts.some(([part]) => part === search.show) ? search.show : undefined
    const tab =
        'h-9 border-b-2 border-transparent px-1 text-ink-2 data-[state=active]:border-heron data-[state=active]:font-semibold data-[state=active]:text-ink'
    return (
        <main className="flex h-full min-h-0 flex-col">
            <Tabs.Root
                value={shown ?? 'people'}
                onValueChange={value => set({ show: value === 'people' ? undefined : (value as PeopleSearch['show']) })}
                className="flex min-h-0 flex-1 flex-col"
            >
                <div className={bar}>
                    {title}
                    <Tabs.List aria-label="Parts" className="flex gap-4">
                        {parts.map(([part, label]) => (
                            <Tabs.Trigger key={part} value={part} className={tab}>
                                {label}
                            </Tabs.Trigger>
                        ))}
                    </Tabs.List>
                </div>
                <Tabs.Content value="people" className="min-h-0 flex-1 overflow-y-auto p-4">
                    <div className="grid max-w-[1040px] gap-8">
                        <PeopleList />
                        {looksAfter && people.isFetched && <RolesList />}
                    </div>
                </Tabs.Content>
                <Tabs.Content value="rights" className="flex min-h-0 flex-1 flex-col">
                    <RightsGrid
                        key={search.branch ?? ''}
                        branch={search.branch ?? null}
                        onBranch={branch => set({ branch: branch ?? undefined })}
                    />
                </Tabs.Content>
                <Tabs.Content value="visitors" className="min-h-0 flex-1 overflow-y-auto p-4">
                    <VisitorsPart />
                </Tabs.Content>
                <Tabs.Content value="log" className="min-h-0 flex-1 overflow-y-auto p-4">
                    <SecurityLog />
                </Tabs.Content>
            </Tabs.Root>
        </main>
    )
}
