import { queryOptions } from '@tanstack/react-query'
import { answered, api, type Schemas } from '../../api/client'
import { keys } from '../../api/queries'

export const peopleQuery = (site: string) =>
    queryOptions({
        queryKey: [...keys.site(site), 'people'],
        queryFn: () => answered(api.GET('/sites/{site}/people', { params: { path: { site } } })),
    })

/** Roles and people by rights, in a branch; on the whole site for null. */
export const rightsQuery = (site: string, branch: string | null) =>
    queryOptions({
        queryKey: [...keys.site(site), 'rights', branch],
        queryFn: () =>
            answered(
                api.GET('/sites/{site}/rights', {
                    params: { path: { site }, query: branch === null ? {} : { branch } },
                }),
            ),
    })

/** The roles among the rows of the grid, each with its key. */
export const rolesOf = (grid: Schemas['RightsGrid'] | undefined) =>
    (grid?.rows ?? []).flatMap(row => (row.who.startsWith('role:') ? [{ ...row, key: row.who.slice(5) }] : []))
