import { useSuspenseQuery } from '@tanstack/react-query'
import { useParams } from '@tanstack/react-router'
import type { Schemas } from '../api/client'
import { sessionQuery } from '../api/queries'

export type Right = Schemas['Right']

/** The site in the address, with what one may do there. */
export function useSite() {
    const { site: key } = useParams({ from: '/s/$site' })
    const { data } = useSuspenseQuery(sessionQuery)
    const site = data?.sites.find(each => each.key === key)
    if (data === null || site === undefined) throw new Error(`No such site for you.`)
    return {
        ...site,
        /** Whether one may do it on the whole site. */
        may: (right: Right) => site.rights.includes(right),
        /** Whether one may do it in some part of it: where exactly is known of a page that is open. */
        maySomewhere: (right: Right) => site.somewhere.includes(right),
        /** Whether one may make and move pages in some part of it. */
        makes: site.somewhere.includes('structure'),
        /** Whether one may do anything besides looking. */
        writes: site.somewhere.some(right => right !== 'see'),
        session: data,
    }
}

/** Whether one may do something to a page that is open. */
export const mayOn = (page: { rights: Right[] }, right: Right) => page.rights.includes(right)
