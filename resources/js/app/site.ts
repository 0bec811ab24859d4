import { useSuspenseQuery } from '@tanstack/react-query'
import { useParams } from '@tanstack/react-router'
import { sessionQuery } from '../api/queries'

/** The site in the address, with one's own role on it. */
export function useSite() {
    const { site: key } = useParams({ from: '/s/$site' })
    const { data } = useSuspenseQuery(sessionQuery)
    const site = data?.sites.find(each => each.key === key)
    if (data === null || site === undefined) throw new Error(`There is no site “${key}” for you here.`)
    return {
        ...site,
        manages: site.role === 'owner' || site.role === 'manager',
        writes: site.role !== 'reader',
        session: data,
    }
}
