import { useQuery } from '@tanstack/react-query'
import { answered, api, type Schemas } from '../../api/client'
import { keys } from '../../api/queries'

/** Who else has unsaved words on this page, asked again every few seconds while the words are shown. */
export function useOthers(site: string, page: string, visible: boolean, first: Schemas['OtherWriter'][]) {
    const { data } = useQuery({
        queryKey: [...keys.words(site, page), 'others'],
        queryFn: async ({ signal }) => (await answered(api.GET('/sites/{site}/pages/{page}/words', { params: { path: { site, page } }, signal }))).others,
        initialData: first,
        refetchInterval: 4_000,
        enabled: visible,
    })
    return data
}
