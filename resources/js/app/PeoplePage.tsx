import { getRouteApi, useNavigate } from '@tanstack/react-router'
import { PeopleView } from '../views/people/PeopleView'

const route = getRouteApi('/s/$site/people')

export function PeoplePage() {
    const { site } = route.useParams()
    const search = route.useSearch()
    const navigate = useNavigate()
    return (
        <PeopleView
            key={site}
            search={search}
            set={change =>
                void navigate({
                    to: '/s/$site/people',
                    params: { site },
                    search: previous => ({ ...previous, ...change }),
                    replace: true,
                })
            }
        />
    )
}
