import { useQuery, useQueryClient } from '@tanstack/react-query'
import { useMemo, useState } from 'react'
import { answered, api, ApiProblem, type Schemas } from '../../api/client'
import { keys } from '../../api/queries'
import { menuQuery } from '../../api/viewQueries'
import { useChanges } from '../../app/changes'
import { count } from '../../ui/count'
import { useDebounced } from '../../ui/useDebounced'
import { lines, renewed, topmost, withoutAll, written, type Entry } from './arrangement'

type Looks = { who?: string | undefined; at?: string | undefined }

/** A menu being arranged: what is stored, what has been done to it here, and how that would look to somebody. */
export function useArrangement(site: string, menu: string, looks: Looks) {
    const stored = useQuery(menuQuery(site, menu, looks))
    // What is worked on belongs to the version it began from; another version has to be looked at first.
    const [work, setWork] = useState<{ basedOn: string; entries: Entry[] } | null>(null)
    const [past, setPast] = useState<Entry[][]>([])
    const { propose } = useChanges()
    const client = useQueryClient()
    const entries = useMemo(() => work?.entries ?? stored.data?.entries ?? [], [stored.data, work])
    const sent = useDebounced(
        useMemo(() => JSON.stringify(written(entries)), [entries]),
        150,
    )
    const shown = useQuery({
        queryKey: [...keys.menu(site, menu), 'arranged', sent, looks],
        queryFn: () =>
            answered(
                api.POST('/sites/{site}/menus/{menu}/arranged', {
                    params: { path: { site, menu } },
                    body: {
                        entries: JSON.parse(sent) as Entry[],
                        ...(looks.who === undefined ? {} : { who: looks.who }),
                        ...(looks.at === undefined ? {} : { at: looks.at }),
                    },
                }),
            ),
        enabled: work !== null && stored.data !== undefined,
        placeholderData: previous => previous,
        retry: false,
    })
    const looked: Schemas['Menu'] | undefined = work === null ? stored.data : (shown.data ?? stored.data)
    const arrange = (next: Entry[]) => {
        if (stored.data === undefined || next === entries) return
        setPast([...past, entries])
        setWork({ basedOn: work?.basedOn ?? stored.data.version, entries: next })
    }
    const drop = () => {
        setWork(null)
        setPast([])
    }
    return {
        stored,
        looked,
        entries,
        problem: shown.error instanceof ApiProblem ? shown.error : null,
        isUnsaved: work !== null,
        isStale: work !== null && stored.data !== undefined && work.basedOn !== stored.data.version,
        arrange,
        back:
            past.length === 0
                ? null
                : () => {
                      const before = past.at(-1)
                      setPast(past.slice(0, -1))
                      if (before !== undefined)
                          setWork(past.length === 1 || work === null ? null : { ...work, entries: before })
                  },
        drop,
        /** Keeps what was done here, on top of what somebody else has stored meanwhile. */
        keepMine: () =>
            work !== null && stored.data !== undefined && setWork({ ...work, basedOn: stored.data.version }),
        apply: (name: string) =>
            work !== null &&
            void propose({
                title: `Changing the menu ${name}`,
                act: 'Save menu',
                always: true,
                batch: {
                    changes: [{ kind: 'arrange-menu', menu, entries: written(work.entries), basedOn: work.basedOn }],
                },
                done: drop,
            }),
        /** Moves entries to the end of another menu, in one change with whatever else was arranged here. */
        moveTo: async (other: Schemas['MenuItem'], ids: ReadonlySet<string>, name: string) => {
            if (stored.data === undefined) return
            const there = await client.fetchQuery(menuQuery(site, other.id, {}))
            const several = renewed(topmost(entries, ids))
            // Picks have one level: what stands under a picked entry stands beside it there.
            const taken =
                other.kind === 'picks' ? lines(several).map(line => ({ ...line.entry, entries: [] })) : several
            void propose({
                title: `Moving ${count(lines(several).length, 'entry', 'entries')} from ${name} to ${other.name}`,
                act: 'Move them',
                always: true,
                batch: {
                    changes: [
                        {
                            kind: 'arrange-menu',
                            menu,
                            entries: written(withoutAll(entries, ids)),
                            basedOn: work?.basedOn ?? stored.data.version,
                        },
                        {
                            kind: 'arrange-menu',
                            menu: other.id,
                            entries: written([...there.entries, ...taken]),
                            basedOn: there.version,
                        },
                    ],
                },
                done: drop,
            })
        },
    }
}
