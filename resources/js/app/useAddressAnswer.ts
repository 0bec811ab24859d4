import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { answered, api, type Schemas } from '../api/client'
import { keys } from '../api/queries'
import { useDebounced } from '../ui/useDebounced'
import { useSite } from './site'

const nothing = { slug: null, address: null, inherited: null, conflict: null, suggestion: null }

/** The slug and address one change would give its page, asked while it is being typed; or why it could not be asked. */
export function useAddressAnswer(change: Schemas['Change'] | null): Schemas['SlugAnswer'] | undefined {
    const site = useSite()
    const settled = useDebounced(change === null ? '' : JSON.stringify(change), 110)
    const { data, error } = useQuery({
        queryKey: [...keys.site(site.key), 'address', settled],
        queryFn: ({ signal }) =>
            answered(
                api.POST('/sites/{site}/address', {
                    params: { path: { site: site.key } },
                    body: JSON.parse(settled) as Schemas['Change'],
                    signal,
                }),
            ),
        enabled: settled !== '' && change !== null,
        placeholderData: keepPreviousData,
        staleTime: 2_000,
    })
    if (change === null) return undefined
    return error === null ? data : { ...nothing, error: error.message }
}
