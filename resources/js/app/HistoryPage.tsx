import { getRouteApi, useNavigate } from '@tanstack/react-router'
import { useCallback } from 'react'
import { HistoryView } from '../views/history/HistoryView'
import type { HistorySearch } from './historySearch'

const route = getRouteApi('/s/$site/history')

export function HistoryPage() {
    const { site } = route.useParams()
    const search = route.useSearch()
    const navigate = useNavigate()
    const set = useCallback(
        (change: Partial<HistorySearch>) =>
            void navigate({
                to: '/s/$site/history',
                params: { site },
                search: previous => ({ ...previous, ...change }),
                replace: true,
            }),
        [navigate, site],
    )
    return <HistoryView key={site} search={search} set={set} />
}
