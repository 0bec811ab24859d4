import { queryOptions, useQuery } from '@tanstack/react-query'
import { answered, api } from '../../api/client'
import { keys } from '../../api/queries'
import { useSite } from '../site'

export const layoutsQuery = (site: string) =>
    queryOptions({
        queryKey: [...keys.site(site), 'layouts'],
        queryFn: ({ signal }) => answered(api.GET('/sites/{site}/layouts', { params: { path: { site } }, signal })),
        staleTime: 30_000,
    })

/** The layouts of the design; none until they are read. */
export function useLayouts() {
    const { data } = useQuery(layoutsQuery(useSite().key))
    const layouts = data?.layouts ?? []
    return {
        layouts,
        of: (key: string) => layouts.find(layout => layout.key === key),
        /** What a layout is called: its key, until it is known. */
        called: (key: string) => layouts.find(layout => layout.key === key)?.name ?? key,
    }
}
