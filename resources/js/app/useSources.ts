import { useQuery } from '@tanstack/react-query'
import { answered, api } from '../api/client'
import { keys } from '../api/queries'
import { useSite } from './site'

export const sourcesKey = (site: string) => [...keys.site(site), 'sources'] as const

/** What was given to be imported, and waits. */
export function useSources() {
    const site = useSite()
    return useQuery({
        queryKey: sourcesKey(site.key),
        queryFn: ({ signal }) =>
            answered(api.GET('/sites/{site}/bring-in', { params: { path: { site: site.key } }, signal })),
    })
}
