import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { answered, api, isMissing, type Schemas } from '../../api/client'
import { keys } from '../../api/queries'
import { useSite } from '../../app/site'
import { useStoppable } from '../../ui/useStoppable'
import { merged, withChosen, type Choice, type Row } from './matching'

export type MatchListItem = Schemas['MatchListItem']
type List = Schemas['MatchList']

const listsKey = (site: string) => [...keys.addresses(site), 'lists'] as const
const listKey = (site: string, id: string) => [...keys.addresses(site), 'list', id] as const

/** Rows up to which a list is matched again at every choice; a longer one takes seconds, and is when somebody asks. */
const AT_ONCE = 2000

/** How often what others chose is looked for, in milliseconds. */
const OTHERS = 4000

/** The lists that are kept. */
export function useMatchLists() {
    const site = useSite()
    return useQuery({
        queryKey: listsKey(site.key),
        queryFn: ({ signal }) =>
            answered(api.GET('/sites/{site}/match-lists', { params: { path: { site: site.key } }, signal })),
    })
}

export type GivenList = { name: string } & ({ text: string } | { file: File } | { import: string })

/** Keeps a list and matches it. */
export function useMakeList(made: (id: string) => void) {
    const site = useSite()
    const queries = useQueryClient()
    const path = { site: site.key }
    const making = useStoppable((signal, given: GivenList) =>
        answered(
            'file' in given
                ? api.POST('/sites/{site}/match-lists', {
                      params: { path },
                      signal,
                      body: { name: '' } as never,
                      bodySerializer: () => {
                          const form = new FormData()
                          form.append('name', given.name)
                          form.append('file', given.file)
                          return form
                      },
                  })
                : api.POST('/sites/{site}/match-lists', { params: { path }, body: given, signal }),
        ),
    )
    return {
        ...making,
        make: (given: GivenList) =>
            making.mutate(given, {
                onSuccess: list => {
                    queries.setQueryData(listKey(site.key, list.list.id), list)
                    void queries.invalidateQueries({ queryKey: listsKey(site.key) })
                    made(list.list.id)
                },
            }),
    }
}

/** One list, what others choose included, and what can be done with it. */
export function useMatchList(id: string) {
    const site = useSite()
    const queries = useQueryClient()
    const path = { site: site.key, list: id }
    const key = listKey(site.key, id)
    const known = () => queries.getQueryData<List>(key)
    const take = (news: List) => {
        const before = known()
        queries.setQueryData(key, before === undefined ? news : merged(before, news))
    }
    const reading = useQuery({
        queryKey: key,
        queryFn: ({ signal }) => answered(api.GET('/sites/{site}/match-lists/{list}', { params: { path }, signal })),
    })
    const remove = useMutation({
        mutationFn: async () => {
            await queries.cancelQueries({ queryKey: key })
            return answered(api.DELETE('/sites/{site}/match-lists/{list}', { params: { path } }))
        },
        onSuccess: () => queries.invalidateQueries({ queryKey: listsKey(site.key) }),
    })
    const others = useQuery({
        queryKey: [...key, 'since'],
        // A list that is being removed, by this hand or another, is not asked for any more.
        enabled: ({ state }) =>
            reading.data !== undefined && !remove.isPending && !remove.isSuccess && !isMissing(state.error),
        refetchInterval: OTHERS,
        queryFn: async ({ signal }) => {
            const query = { since: known()?.list.revision ?? -1 }
            try {
                take(await answered(api.GET('/sites/{site}/match-lists/{list}', { params: { path, query }, signal })))
            } catch (error) {
                if (isMissing(error)) void queries.invalidateQueries({ queryKey: listsKey(site.key) })
                throw error
            }
            return null
        },
    })
    const match = useStoppable(async signal => {
        const query = { since: known()?.list.revision ?? -1 }
        take(await answered(api.POST('/sites/{site}/match-lists/{list}/matched', { params: { path, query }, signal })))
    })
    const choosing = useMutation({
        mutationFn: async (rows: [Row, Choice][]) => {
            const before = known()
            if (before !== undefined) queries.setQueryData(key, withChosen(before, rows, site.session.name))
            const body = {
                rows: rows.map(([row, choice]) => ({
                    old: row.old,
                    choice: choice?.choice ?? null,
                    page: choice?.choice === 'page' ? choice.page.id : null,
                    revision: row.revision,
                })),
            }
            return await answered(api.POST('/sites/{site}/match-lists/{list}/choices', { params: { path }, body }))
        },
        onSuccess: list => {
            queries.setQueryData<MatchListItem[]>(listsKey(site.key), lists =>
                lists?.map(each => (each.id === list.id ? list : each)),
            )
            if (list.rows > AT_ONCE) return
            // What is being matched does not know of this one yet.
            match.stop()
            match.mutate()
        },
        // What was shown is not so: somebody else chose, or the page is gone.
        onError: () => void queries.invalidateQueries({ queryKey: key }),
    })
    const say = useMutation({
        mutationFn: (body: Schemas['MatchListSaid']) =>
            answered(api.PATCH('/sites/{site}/match-lists/{list}', { params: { path }, body })),
        onSuccess: list => {
            const before = known()
            if (before !== undefined) queries.setQueryData(key, { ...before, list })
            void queries.invalidateQueries({ queryKey: listsKey(site.key) })
        },
    })
    const isRemoved = isMissing(others.error) || isMissing(reading.error)
    return { reading, match, choosing, say, remove, isRemoved }
}

export type ListActs = ReturnType<typeof useMatchList>
