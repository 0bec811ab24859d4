import { getRouteApi, useNavigate } from '@tanstack/react-router'
import { BringInView } from '../views/interchange/BringInView'

const route = getRouteApi('/s/$site/bring-in')

export function BringInPage() {
    const { site } = route.useParams()
    const { source } = route.useSearch()
    const navigate = useNavigate()
    return (
        <BringInView
            key={site}
            source={source ?? null}
            onGiven={id =>
                void navigate({ to: '/s/$site/bring-in', params: { site }, search: { source: id ?? undefined } })
            }
            onDone={() => void navigate({ to: '/s/$site/outline', params: { site }, search: {} })}
        />
    )
}
