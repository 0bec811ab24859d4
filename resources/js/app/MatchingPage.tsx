import { getRouteApi, useNavigate } from '@tanstack/react-router'
import { MatchingView } from '../views/matching/MatchingView'

const route = getRouteApi('/s/$site/addresses/matching')

export function MatchingPage() {
    const { site } = route.useParams()
    const { list } = route.useSearch()
    const navigate = useNavigate()
    return (
        <MatchingView
            key={site}
            list={list ?? null}
            onList={id =>
                void navigate({
                    to: '/s/$site/addresses/matching',
                    params: { site },
                    search: { list: id ?? undefined },
                })
            }
        />
    )
}
