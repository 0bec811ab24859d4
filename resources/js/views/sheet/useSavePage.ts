import { useMutation, useQueryClient } from '@tanstack/react-query'
import { answered, api } from '../../api/client'
import { keys } from '../../api/queries'
import { useSite } from '../../app/site'
import type { Loaded } from './loaded'

type Fields = {
    heading?: string | null
    summary?: string
    searchTitle?: string
    searchDescription?: string
    socialTitle?: string
    socialDescription?: string
    layout?: string
    fields?: Record<string, unknown>
}

/** Saves fields of a page against the version one started from; a newer version is a conflict, never overwritten. */
export function useSavePage({ sheet, etag }: Loaded) {
    const site = useSite()
    const queries = useQueryClient()
    return useMutation({
        mutationFn: (fields: Fields) =>
            answered(
                api.PATCH('/sites/{site}/pages/{page}', {
                    params: { path: { site: site.key, page: sheet.id }, header: { 'If-Match': etag } },
                    body: fields,
                }),
            ),
        onSuccess: () => queries.invalidateQueries({ queryKey: keys.site(site.key) }),
        onError: () => queries.invalidateQueries({ queryKey: keys.page(site.key, sheet.id) }),
    })
}
