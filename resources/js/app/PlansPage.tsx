import { getRouteApi, useNavigate } from '@tanstack/react-router'
import { PlansView } from '../views/plans/PlansView'

const route = getRouteApi('/s/$site/plans')

export function PlansPage() {
    const { site } = route.useParams()
    const search = route.useSearch()
    const navigate = useNavigate()
    return (
        <PlansView
            key={site}
            search={search}
            onOpen={next => void navigate({ to: '/s/$site/plans', params: { site }, search: next })}
            onWork={() => void navigate({ to: '/s/$site/outline', params: { site }, search: {} })}
        />
    )
}
