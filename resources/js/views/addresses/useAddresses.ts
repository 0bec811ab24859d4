import { useInfiniteQuery } from '@tanstack/react-query'
import { addressesQuery, type AddressFilter } from '../../api/addressQueries'

/** The addresses that a filter finds, read a hundred at a time, with how many there are of each kind. */
export function useAddresses(site: string, filter: AddressFilter) {
    const { data, fetchNextPage, hasNextPage, isFetching, error } = useInfiniteQuery({
        queryKey: [...addressesQuery(site, filter, 0).queryKey, 'pieces'],
        queryFn: ({ pageParam, client }) => client.fetchQuery(addressesQuery(site, filter, pageParam)),
        initialPageParam: 0,
        getNextPageParam: last =>
            last.offset + last.rows.length < last.total && last.rows.length > 0
                ? last.offset + last.rows.length
                : undefined,
        placeholderData: previous => previous,
    })
    return {
        rows: data?.pages.flatMap(page => page.rows) ?? [],
        total: data?.pages[0]?.total ?? 0,
        counts: data?.pages[0]?.counts ?? {},
        noise: data?.pages[0]?.noise,
        more: hasNextPage && !isFetching ? () => void fetchNextPage() : null,
        isFetching,
        error,
    }
}

export type Addresses = ReturnType<typeof useAddresses>
