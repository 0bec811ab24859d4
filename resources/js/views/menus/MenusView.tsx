import { useQuery } from '@tanstack/react-query'
import { useEffect } from 'react'
import { menusQuery } from '../../api/viewQueries'
import { useSite } from '../../app/site'
import { Button } from '../../ui/Button'
import { MenuEditor } from './MenuEditor'
import { MenuList } from './MenuList'
import type { Search, SetSearch } from './search'
import { Muted } from '../../ui/Muted'

/** What visitors see in each menu, and the entries it is made of. */
export function MenusView({ search, set }: { search: Search; set: SetSearch }) {
    const site = useSite()
    const { data: list, error, refetch } = useQuery(menusQuery(site.key))
    const first =
        list?.places.map(place => list.menus.find(menu => menu.place === place.key)).find(menu => menu !== undefined) ??
        list?.menus[0]
    const chosen = list?.menus.find(menu => menu.id === search.menu)
    useEffect(() => {
        if (list !== undefined && chosen === undefined && first !== undefined) set({ menu: first.id, entry: undefined })
    }, [chosen, first, list, set])
    if (error !== null)
        return (
            <main className="grid content-start gap-2 p-16">
                <h1 className="text-[17px] font-bold">The menus could not be read</h1>
                <Muted>{error.message}</Muted>
                <div>
                    <Button variant="main" onClick={() => void refetch()}>
                        Try again
                    </Button>
                </div>
            </main>
        )
    return (
        <main className="flex h-full min-h-0 min-w-0" aria-busy={list === undefined}>
            {list !== undefined && chosen === undefined && (
                <MenuList
                    list={list}
                    chosen={undefined}
                    writes={site.may('menus')}
                    onChoose={menu => set({ menu, entry: undefined })}
                />
            )}
            {list !== undefined && chosen !== undefined && (
                <MenuEditor key={chosen.id} menu={chosen} list={list} search={search} set={set} />
            )}
        </main>
    )
}
