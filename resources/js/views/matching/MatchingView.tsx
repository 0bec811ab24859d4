import { Link } from '@tanstack/react-router'
import clsx from 'clsx'
import { ArrowLeft, Plus } from 'lucide-react'
import { useSite } from '../../app/site'
import { Button } from '../../ui/Button'
import { count } from '../../ui/count'
import { PageTitle } from '../../ui/PageTitle'
import { ReadFailure } from '../../ui/ReadFailure'
import { ago } from '../../ui/time'
import { ListAtWork } from './ListAtWork'
import { NewList } from './NewList'
import { useMatchLists, type MatchListItem } from './useMatchLists'

type Props = { list: string | null; onList: (id: string | null) => void }

/** Old addresses matched to pages: the lists that are kept, and the one that is worked on. */
export function MatchingView({ list, onList }: Props) {
    const site = useSite()
    const reading = useMatchLists()
    const lists = reading.data ?? []
    if (!site.may('addresses'))
        return (
            <main className="p-8">
                <PageTitle help="old-addresses">Match old addresses</PageTitle>
                <p className="mt-3 text-ink-2">
                    To match old addresses you need the right “addresses”. Ask an owner of the site.
                </p>
            </main>
        )
    return (
        <main aria-label="Match old addresses" className="flex h-full min-h-0">
            <div className="flex w-[200px] shrink-0 flex-col border-r border-line xl:w-[252px]">
                <div className="px-4 pt-3 pb-3">
                    <Link
                        to="/s/$site/addresses"
                        params={{ site: site.key }}
                        search={{}}
                        className="mb-1 inline-flex items-center gap-1 text-[13px] text-heron hover:underline"
                    >
                        <ArrowLeft size={13} aria-hidden />
                        Addresses
                    </Link>
                    <PageTitle help="old-addresses">Old addresses</PageTitle>
                </div>
                <nav aria-label="Lists" className="min-h-0 flex-1 overflow-y-auto border-t border-line">
                    <ReadFailure of={reading} className="p-4" />
                    {lists.map(each => (
                        <ListItem key={each.id} list={each} isOpen={each.id === list} onOpen={() => onList(each.id)} />
                    ))}
                    {reading.data?.length === 0 && (
                        <p className="px-4 py-3 text-[13px] text-ink-3">Lists that you make are kept here.</p>
                    )}
                </nav>
                {list !== null && (
                    <div className="border-t border-line px-4 py-3">
                        <Button onClick={() => onList(null)}>
                            <Plus size={15} aria-hidden />
                            New list
                        </Button>
                    </div>
                )}
            </div>
            {list === null ? (
                <NewList taken={reading.data?.map(each => each.name)} onMade={onList} />
            ) : (
                <ListAtWork key={list} id={list} onGone={() => onList(null)} />
            )}
        </main>
    )
}

function ListItem({ list, isOpen, onOpen }: { list: MatchListItem; isOpen: boolean; onOpen: () => void }) {
    return (
        <button
            type="button"
            aria-current={isOpen}
            onClick={onOpen}
            className={clsx(
                'block w-full px-4 py-2 text-left',
                isOpen ? 'bg-heron-soft shadow-[inset_3px_0_var(--heron)]' : 'hover:bg-sunk',
            )}
        >
            <span className="block truncate font-semibold">{list.name}</span>
            <span className="block truncate text-[12px] text-ink-3">
                {count(list.rows, 'address', 'addresses')} · {list.chosen.toLocaleString('en-GB')} by hand
            </span>
            <span className="block truncate text-[12px] text-ink-3">
                {list.by ?? 'Somebody'}, {ago(list.made)}
            </span>
        </button>
    )
}
