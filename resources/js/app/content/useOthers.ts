import { useQuery } from '@tanstack/react-query'
import { useEffect } from 'react'
import { answered, api, type Schemas } from '../../api/client'
import { keys } from '../../api/queries'

/**
 * Who else has this page open to write on it, and what was saved last: said and asked every few seconds while one writes.
 * While that cannot be asked the last answer stands, and `failure` says so.
 */
export function useOthers(
    site: string,
    page: string,
    visible: boolean,
    first: Schemas['Content'],
): Schemas['Present'] & { failure: Error | null } {
    const params = { path: { site, page } }
    const { data, error } = useQuery({
        queryKey: [...keys.content(site, page), 'others'],
        queryFn: async ({ signal }) => answered(api.PUT('/sites/{site}/pages/{page}/presence', { params, signal })),
        initialData: { others: first.others.map(other => other.name), version: first.version, savedBy: first.savedBy },
        refetchInterval: 4_000,
        enabled: visible,
    })
    useEffect(() => {
        if (!visible) return
        return () => {
            void api.DELETE('/sites/{site}/pages/{page}/presence', {
                params: { path: { site, page } },
                keepalive: true,
            })
        }
    }, [page, site, visible])
    return { ...data, failure: error }
}
