import { useQuery } from '@tanstack/react-query'
import { answered, api, type Schemas } from '../../api/client'
import { keys } from '../../api/queries'

type Meanwhile = Pick<Schemas['Content'], 'others' | 'version' | 'savedBy'>

/**
 * Who else has unsaved content on this page, and what was saved last, asked again every few seconds while the content is
 * shown. While that cannot be asked the last answer stands, and `failure` says so.
 */
export function useOthers(
    site: string,
    page: string,
    visible: boolean,
    first: Meanwhile,
): Meanwhile & { failure: Error | null } {
    const { data, error } = useQuery({
        queryKey: [...keys.content(site, page), 'others'],
        queryFn: async ({ signal }): Promise<Meanwhile> =>
            answered(api.GET('/sites/{site}/pages/{page}/content', { params: { path: { site, page } }, signal })),
        initialData: first,
        refetchInterval: 4_000,
        enabled: visible,
    })
    return { ...data, failure: error }
}
