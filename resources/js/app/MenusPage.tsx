import { getRouteApi, useNavigate } from '@tanstack/react-router'
import { useCallback } from 'react'
import { MenusView } from '../views/menus/MenusView'
import type { MenusSearch } from './menusSearch'

const route = getRouteApi('/s/$site/menus')

export function MenusPage() {
    const { site } = route.useParams()
    const search = route.useSearch()
    const navigate = useNavigate()
    const set = useCallback(
        (change: Partial<MenusSearch>) =>
            void navigate({
                to: '/s/$site/menus',
                params: { site },
                search: previous => ({ ...previous, ...change }),
                replace: true,
            }),
        [navigate, site],
    )
    return <MenusView key={site} search={search} set={set} />
}
