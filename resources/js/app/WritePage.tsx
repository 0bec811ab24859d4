import { getRouteApi, useNavigate } from '@tanstack/react-router'
import { useCallback } from 'react'
import { WritingRoom } from '../views/write/WritingRoom'
import type { RoomSearch } from './writeSearch'

const route = getRouteApi('/s/$site/write/$page')

/** The writing room of the page named in the address. */
export function WritePage() {
    const { site, page } = route.useParams()
    const search = route.useSearch()
    const navigate = useNavigate()
    const set = useCallback(
        (change: Partial<RoomSearch>) =>
            void navigate({
                to: '/s/$site/write/$page',
                params: { site, page },
                search: previous => ({ ...previous, ...change }),
                replace: true,
            }),
        [navigate, page, site],
    )
    return <WritingRoom key={page} page={page} search={search} set={set} />
}
