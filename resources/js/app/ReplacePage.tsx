import { getRouteApi, useNavigate } from '@tanstack/react-router'
import { useCallback } from 'react'
import { ReplaceView } from '../views/replace/ReplaceView'
import type { ReplaceSearch } from './replaceSearch'

const route = getRouteApi('/s/$site/replace')

export function ReplacePage() {
    const { site } = route.useParams()
    const search = route.useSearch()
    const navigate = useNavigate()
    const set = useCallback(
        (change: Partial<ReplaceSearch>) =>
            void navigate({
                to: '/s/$site/replace',
                params: { site },
                search: previous => ({ ...previous, ...change }),
                replace: true,
            }),
        [navigate, site],
    )
    return <ReplaceView key={site} search={search} set={set} />
}
