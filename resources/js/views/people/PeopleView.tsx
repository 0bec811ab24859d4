import { Tabs } from 'radix-ui'
import type { PeopleSearch } from '../../app/peopleSearch'
import { useSite } from '../../app/site'
import { PageTitle } from '../../ui/PageTitle'
import { PeopleList } from './PeopleList'
import { RightsGrid } from './RightsGrid'
import { RolesList } from './RolesList'

type Props = { search: PeopleSearch; set: (change: Partial<PeopleSearch>) => void }

/** Who works on the site, in which roles, and what these may do. */
export function PeopleView({ search, set }: Props) {
    const site = useSite()
    const title = (
        <div className="self-center">
            <PageTitle>People</PageTitle>
        </div>
    )
    const bar = 'flex h-14 shrink-0 items-end gap-6 border-b border-line px-4'
    if (!site.may('people'))
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
    const tab =
        'h-9 border-b-2 border-transparent px-1 text-ink-2 data-[state=active]:border-heron data-[state=active]:font-semibold data-[state=active]:text-ink'
    return (
        <main className="flex h-full min-h-0 flex-col">
            <Tabs.Root
                value={search.show ?? 'people'}
                onValueChange={value => set({ show: value === 'rights' ? 'rights' : undefined })}
                className="flex min-h-0 flex-1 flex-col"
            >
                <div className={bar}>
                    {title}
                    <Tabs.List aria-label="Parts" className="flex gap-4">
                        <Tabs.Trigger value="people" className={tab}>
                            People and roles
                        </Tabs.Trigger>
                        <Tabs.Trigger value="rights" className={tab}>
                            Rights
                        </Tabs.Trigger>
                    </Tabs.List>
                </div>
                <Tabs.Content value="people" className="min-h-0 flex-1 overflow-y-auto p-4">
                    <div className="grid max-w-[1040px] gap-8">
                        <PeopleList />
                        <RolesList />
                    </div>
                </Tabs.Content>
                <Tabs.Content value="rights" className="flex min-h-0 flex-1 flex-col">
                    <RightsGrid
                        key={search.branch ?? ''}
                        branch={search.branch ?? null}
                        onBranch={branch => set({ branch: branch ?? undefined })}
                    />
                </Tabs.Content>
            </Tabs.Root>
        </main>
    )
}
