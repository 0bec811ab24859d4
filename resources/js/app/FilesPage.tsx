import { getRouteApi, useNavigate } from '@tanstack/react-router'
import { useCallback } from 'react'
import { FilesView } from '../views/files/FilesView'
import { PiecesView } from '../views/files/PiecesView'
import type { FilesSearch } from './filesSearch'

const route = getRouteApi('/s/$site/files')

export function FilesPage() {
    const { site } = route.useParams()
    const search = route.useSearch()
    const navigate = useNavigate()
    const set = useCallback(
        (change: Partial<FilesSearch>) =>
            void navigate({
                to: '/s/$site/files',
                params: { site },
                search: previous => ({ ...previous, ...change }),
                replace: true,
            }),
        [navigate, site],
    )
    return search.of === 'pieces' ? (
        <PiecesView key={site} search={search} set={set} />
    ) : (
        <FilesView key={site} search={search} set={set} />
    )
}
