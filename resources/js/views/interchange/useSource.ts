import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { answered, api, type Schemas } from '../../api/client'
import { keys } from '../../api/queries'
import { useSite } from '../../app/site'
import { sourcesKey } from '../../app/useSources'

const sourceKey = (site: string, id: string) => ['site-source', site, id] as const

/** One of them; asked again while it is being read or brought in. */
export function useSource(id: string) {
    const site = useSite()
    return useQuery({
        queryKey: sourceKey(site.key, id),
        queryFn: ({ signal }) =>
            answered(
                api.GET('/sites/{site}/bring-in/{source}', {
                    params: { path: { site: site.key, source: id } },
                    signal,
                }),
            ),
        refetchInterval: query =>
            query.state.data?.state === 'reading' || query.state.data?.state === 'applying' ? 800 : false,
    })
}

export function useSourcePages(source: Schemas['Source'], status: string, text: string, offset: number) {
    const site = useSite()
    return useQuery({
        // Not among what follows a change of the site: once it is brought in there is nothing to look at any more.
        queryKey: ['source-pages', site.key, source.id, source.said, source.state, status, text, offset],
        queryFn: ({ signal }) =>
            answered(
                api.GET('/sites/{site}/bring-in/{source}/pages', {
                    params: { path: { site: site.key, source: source.id }, query: { status, text, offset } },
                    signal,
                }),
            ),
        enabled: source.state === 'ready',
        placeholderData: previous => previous,
    })
}

/** Gives something: pasted, or as a file. */
export function useGive(given: (source: Schemas['Source']) => void) {
    const site = useSite()
    const queries = useQueryClient()
    const path = { site: site.key }
    return useMutation({
        mutationFn: (what: { text: string } | { address: string } | { file: File }) =>
            answered(
                !('file' in what)
                    ? api.POST('/sites/{site}/bring-in', { params: { path }, body: what })
                    : api.POST('/sites/{site}/bring-in', {
                          params: { path },
                          body: { file: '' } as never,
                          bodySerializer: () => {
                              const form = new FormData()
                              form.append('file', what.file)
                              return form
                          },
                      }),
            ),
        onSuccess: source => {
            queries.setQueryData(sourceKey(site.key, source.id), source)
            void queries.invalidateQueries({ queryKey: sourcesKey(site.key) })
            given(source)
        },
    })
}

export type SourceActs = ReturnType<typeof useSourceActs>

/** Says how it is read and what becomes of it, and what is done with it. */
export function useSourceActs(id: string) {
    const site = useSite()
    const queries = useQueryClient()
    const path = { site: site.key, source: id }
    const say = useMutation({
        // One after the other: what is shown is what was said last.
        scope: { id: `source ${id}` },
        mutationFn: (said: Schemas['SourceSaid']) =>
            answered(api.PATCH('/sites/{site}/bring-in/{source}', { params: { path }, body: said })),
        onSuccess: source => queries.setQueryData(sourceKey(site.key, id), source),
    })
    const discard = useMutation({
        mutationFn: () => answered(api.DELETE('/sites/{site}/bring-in/{source}', { params: { path } })),
        onSuccess: () => queries.invalidateQueries({ queryKey: sourcesKey(site.key) }),
    })
    const apply = useMutation({
        mutationFn: () => answered(api.POST('/sites/{site}/bring-in/{source}/applied', { params: { path }, body: {} })),
        onSuccess: source => queries.setQueryData(sourceKey(site.key, id), source),
    })
    const applied = () => {
        void queries.invalidateQueries({ queryKey: sourceKey(site.key, id) })
        void queries.invalidateQueries({ queryKey: keys.site(site.key) })
    }
    return { say, discard, apply, applied }
}
