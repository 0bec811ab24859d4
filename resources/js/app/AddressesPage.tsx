import { getRouteApi, useNavigate } from '@tanstack/react-router'
import { useCallback } from 'react'
import { AddressesView } from '../views/addresses/AddressesView'
import type { AddressesSearch } from './addressesSearch'

const route = getRouteApi('/s/$site/addresses')

export function AddressesPage() {
    const { site } = route.useParams()
    const search = route.useSearch()
    const navigate = useNavigate()
    const set = useCallback(
        (change: { [Key in keyof AddressesSearch]?: AddressesSearch[Key] | undefined }) =>
            void navigate({
                to: '/s/$site/addresses',
                params: { site },
                search: previous => ({ ...previous, ...change }) as AddressesSearch,
                replace: true,
            }),
        [navigate, site],
    )
    const goToPage = useCallback(
        (page: string) => void navigate({ to: '/s/$site/outline', params: { site }, search: { page, row: page } }),
        [navigate, site],
    )
    return <AddressesView key={site} search={search} set={set} onPage={goToPage} />
}
