import { getRouteApi, useNavigate } from '@tanstack/react-router'
import { LayoutsView } from '../views/site/LayoutsView'

const route = getRouteApi('/s/$site/layouts')

export function SitePage() {
    const { site } = route.useParams()
    const search = route.useSearch()
    const navigate = useNavigate()
    return (
        <LayoutsView
            key={site}
            search={search}
            set={change =>
                void navigate({
                    to: '/s/$site/layouts',
                    params: { site },
                    search: previous => ({ ...previous, ...change }),
                    replace: true,
                })
            }
        />
    )
}
