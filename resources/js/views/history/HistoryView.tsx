import { useInfiniteQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { answered, api } from '../../api/client'
import { keys } from '../../api/queries'
import { useChanges } from '../../app/changes'
import type { HistorySearch } from '../../app/historySearch'
import { useSite } from '../../app/site'
import { Button } from '../../ui/Button'
import { count } from '../../ui/count'
import { date } from '../../ui/time'
import { Entry } from './Entry'
import { EntryDetail } from './EntryDetail'
import { HistoryFilter } from './HistoryFilter'
import { Thin } from './Thin'
import { Alert } from '../../ui/Alert'
import { PageTitle } from '../../ui/PageTitle'

const PIECE = 50

/** Who changed what, and why; and the way back of each. */
export function HistoryView({ search, set }: { search: HistorySearch; set: (change: Partial<HistorySearch>) => void }) {
    const site = useSite()
    const { propose } = useChanges()
    const { entry: opened, ...wanted } = search
    const [chosen, setChosen] = useState<Set<string>>(() => new Set())
    const [thinning, setThinning] = useState(false)
    const list = useInfiniteQuery({
        queryKey: keys.history(site.key, wanted),
        queryFn: ({ pageParam, signal }) =>
            answered(
                api.GET('/sites/{site}/history', {
                    params: {
                        path: { site: site.key },
                        query: { ...wanted, ...(pageParam === '' ? {} : { before: pageParam }) },
                    },
                    signal,
                }),
            ),
        initialPageParam: '',
        getNextPageParam: last => (last.length < PIECE ? undefined : last.at(-1)?.id),
    })
    const entries = list.data?.pages.flat() ?? []
    const days = [...new Set(entries.map(entry => date(entry.at)))]
    const turn = (id: string) =>
        setChosen(before =>
            before.has(id) ? new Set([...before].filter(each => each !== id)) : new Set(before).add(id),
        )
    const undo = () =>
        void propose({
            title: `Undoing ${count(chosen.size, 'change')}`,
            act: 'Undo',
            always: true,
            undo: { entries: [...chosen] },
            done: () => setChosen(new Set()),
        })
    return (
        <div className="flex h-full min-h-0">
            <main className="grid min-w-0 flex-1 grid-rows-[56px_auto_minmax(0,1fr)]">
                <div className="flex items-center gap-3.5 px-4">
                    <PageTitle help="history">History</PageTitle>
                    <span className="ml-auto" />
                    {site.may('settings') && (
                        <Button variant="quiet" onClick={() => setThinning(true)}>
                            Trim old history…
                        </Button>
                    )}
                    {chosen.size > 0 && (
                        <Button variant="main" onClick={undo}>
                            Undo {count(chosen.size, 'change')}
                        </Button>
                    )}
                </div>
                <HistoryFilter search={search} set={set} />
                <div className="min-h-0 overflow-y-auto px-4 pb-8" tabIndex={0} aria-label="Changes">
                    {list.error !== null && <Alert className="py-6">{list.error.message}</Alert>}
                    {days.map(day => (
                        <section key={day} aria-label={day}>
                            <h2 className="sticky top-0 z-10 bg-paper pt-4 pb-1 text-[12px] text-ink-3">{day}</h2>
                            <ul>
                                {entries
                                    .filter(entry => date(entry.at) === day)
                                    .map(entry => (
                                        <Entry
                                            key={entry.id}
                                            entry={entry}
                                            isOpen={entry.id === opened}
                                            chosen={chosen.has(entry.id)}
                                            onOpen={() => set({ entry: entry.id === opened ? undefined : entry.id })}
                                            onChoose={() => turn(entry.id)}
                                        />
                                    ))}
                            </ul>
                        </section>
                    ))}
                    {list.data !== undefined && entries.length === 0 && (
                        <p className="max-w-[440px] pt-10 text-ink-2">
                            {Object.values(wanted).some(Boolean)
                                ? 'No change is like this. Choose a longer span, or another person or kind.'
                                : 'Nothing has been changed yet. Every change to the structure will stand here, with what followed from it, and can be undone.'}
                        </p>
                    )}
                    {list.hasNextPage && (
                        <div className="pt-4">
                            <Button disabled={list.isFetchingNextPage} onClick={() => void list.fetchNextPage()}>
                                Show earlier changes
                            </Button>
                        </div>
                    )}
                </div>
            </main>
            {opened !== undefined && (
                <EntryDetail key={opened} entry={opened} onClose={() => set({ entry: undefined })} />
            )}
            <Thin open={thinning} onClose={() => setThinning(false)} />
        </div>
    )
}
