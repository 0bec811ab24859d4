import { queryOptions } from '@tanstack/react-query'
import { answered, api } from './client'
import { keys } from './queries'

export type AddressFilter = {
    text?: string | undefined
    kind?: string | undefined
    status?: string | undefined
    hits?: 'never' | undefined
    finding?: string | undefined
}

export const addressesQuery = (site: string, filter: AddressFilter, offset: number) =>
    queryOptions({
        queryKey: [...keys.addresses(site), filter, offset],
        queryFn: ({ signal }) =>
            answered(
                api.GET('/sites/{site}/addresses', {
                    params: { path: { site }, query: { offset, ...given(filter) } },
                    signal,
                }),
            ),
    })

export const belowQuery = (site: string, address: string) =>
    queryOptions({
        queryKey: [...keys.addresses(site), 'below', address],
        queryFn: ({ signal }) =>
            answered(
                api.GET('/sites/{site}/addresses/below', { params: { path: { site }, query: { address } }, signal }),
            ),
    })

export const redirectFindingsQuery = (site: string) =>
    queryOptions({
        queryKey: [...keys.addresses(site), 'findings'],
        queryFn: ({ signal }) =>
            answered(api.GET('/sites/{site}/redirect-findings', { params: { path: { site } }, signal })),
    })

export type Span = 'day' | 'week' | 'month'

export const redirectQuery = (site: string, redirect: string, span: Span = 'day') =>
    queryOptions({
        queryKey: [...keys.redirect(site, redirect), span],
        queryFn: ({ signal }) =>
            answered(
                api.GET('/sites/{site}/redirects/{redirect}', {
                    params: { path: { site, redirect }, query: { span } },
                    signal,
                }),
            ),
        retry: false,
    })

export type Pattern = { id: string; source: string; note: string }

/** All patterns of a site in the order in which they are tried. */
export const patternsQuery = (site: string) =>
    queryOptions({
        queryKey: [...keys.addresses(site), 'patterns'],
        staleTime: 0,
        gcTime: 0,
        queryFn: async ({ signal }) => {
            const patterns: Pattern[] = []
            for (let total = 1; patterns.length < total;) {
                const piece = await answered(
                    api.GET('/sites/{site}/addresses', {
                        params: { path: { site }, query: { offset: patterns.length, kind: 'pattern' } },
                        signal,
                    }),
                )
                patterns.push(
                    ...piece.rows.flatMap(({ redirect }) =>
                        redirect === null ? [] : [{ id: redirect.id, source: redirect.source, note: redirect.note }],
                    ),
                )
                total = piece.rows.length === 0 ? 0 : piece.total
            }
            return patterns
        },
    })

/** Only what is said: the client leaves nothing blank in an address. */
function given<T extends object>(fields: T) {
    return Object.fromEntries(Object.entries(fields).filter(([, value]) => value !== undefined)) as {
        [Key in keyof T]?: NonNullable<T[Key]>
    }
}
