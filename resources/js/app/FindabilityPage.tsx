import { getRouteApi, useNavigate } from '@tanstack/react-router'
import { useCallback } from 'react'
import { FindabilityView } from '../views/findability/FindabilityView'
import type { OpenFault, OpenPage, SetSearch } from '../views/findability/search'
import type { FindabilitySearch } from './findabilitySearch'

const route = getRouteApi('/s/$site/findability')

export function FindabilityPage() {
    const { site } = route.useParams()
    const search = route.useSearch()
    const navigate = useNavigate()
    const set = useCallback<SetSearch>(
        change =>
            void navigate({
                to: '/s/$site/findability',
                params: { site },
                search: previous => ({ ...previous, ...change }) as FindabilitySearch,
            }),
        [navigate, site],
    )
    const openPage = useCallback<OpenPage>(
        (page, tab) => void navigate({ to: '/s/$site/outline', params: { site }, search: { page, row: page, tab } }),
        [navigate, site],
    )
    const openEntry = useCallback(
        (entry: string) => void navigate({ to: '/s/$site/history', params: { site }, search: { entry } }),
        [navigate, site],
    )
    const openFault = useCallback<OpenFault>(
        (group, fault) =>
            void (group.of === 'menus'
                ? navigate({
                      to: '/s/$site/menus',
                      params: { site },
                      search: fault === null ? {} : { menu: fault.id },
                  })
                : navigate({
                      to: '/s/$site/addresses',
                      params: { site },
                      search: {
                          finding: group.check.replace(/^redirect-/, ''),
                          ...(fault === null ? {} : { text: fault.name }),
                      },
                  })),
        [navigate, site],
    )
    return (
        <FindabilityView
            key={site}
            search={search}
            set={set}
            onPage={openPage}
            onEntry={openEntry}
            onFault={openFault}
        />
    )
}
