import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { pageMenusQuery } from '../../api/viewQueries'
import type { Schemas } from '../../api/client'
import { useChanges } from '../../app/changes'
import { useSite } from '../../app/site'
import { Button } from '../../ui/Button'
import { count } from '../../ui/count'
import { ReadFailure } from '../../ui/ReadFailure'

type MenuOfPage = Schemas['MenuOfPage']

/** Every menu and list of picks that the page stands in, and the others it may be put into. */
export function InMenus({ sheet }: { sheet: Schemas['PageSheet'] }) {
    const site = useSite()
    const { propose } = useChanges()
    const menus = useQuery(pageMenusQuery(site.key, sheet.id))
    const all = menus.data ?? []
    const [choosing, setChoosing] = useState(false)
    const shown = sheet.state === 'live' && sheet.listed
    const inside = all.filter(stands)
    const others = all.filter(each => !stands(each))
    const put = (menu: MenuOfPage) =>
        void propose({
            title: `Adding ${sheet.name} to ${menu.name}`,
            act: 'Add',
            batch: { changes: [{ kind: 'add-to-menu', page: sheet.id, menu: menu.menu }] },
            done: () => setChoosing(false),
        })
    const takeOut = (menus: MenuOfPage[]) =>
        void propose({
            title: `Removing ${sheet.name} from ${menus.length === 1 ? (menus[0]?.name ?? '') : count(menus.length, 'menu')}`,
            act: 'Remove',
            batch: {
                changes: menus.map(each => ({ kind: 'remove-from-menu' as const, page: sheet.id, menu: each.menu })),
            },
        })
    return (
        <>
            <dt>In menus</dt>
            <dd>
                <ul>
                    {inside.map(each => (
                        <li key={each.menu} className="flex min-h-[30px] items-center gap-2">
                            <span className="min-w-0 flex-1 truncate">
                                {each.name}{' '}
                                <span className="text-[12px] text-ink-3">
                                    {how(each)}
                                    {!shown &&
                                        `, not shown: the page is ${sheet.state === 'live' ? 'unlisted' : 'not live'}`}
                                </span>
                            </span>
                            {site.may('menus') && (
                                <Button
                                    variant="quiet"
                                    aria-label={`Remove from ${each.name}`}
                                    onClick={() => takeOut([each])}
                                >
                                    Remove
                                </Button>
                            )}
                        </li>
                    ))}
                </ul>
                <ReadFailure of={menus} className="py-[5px] text-[13px]" />
                {inside.length === 0 && menus.isSuccess && <p className="py-[5px] text-ink-3">in none</p>}
                {site.may('menus') && (
                    <div className="-ml-3 flex flex-wrap">
                        {others.length > 0 && !choosing && (
                            <Button variant="quiet" onClick={() => setChoosing(true)}>
                                Add to a menu…
                            </Button>
                        )}
                        {inside.length > 1 && (
                            <Button variant="quiet" onClick={() => takeOut(inside)}>
                                Remove from all
                            </Button>
                        )}
                    </div>
                )}
                {choosing && (
                    <ul className="mt-1 grid gap-0.5 border-l-2 border-line pl-3">
                        {others.map(each => (
                            <li key={each.menu} className="flex min-h-[30px] items-center gap-2">
                                <span className="min-w-0 flex-1 truncate">
                                    {each.name}
                                    {each.branch === 'leaves-out' && (
                                        <span className="text-[12px] text-ink-3"> leaves it out</span>
                                    )}
                                </span>
                                <Button variant="quiet" aria-label={`Add to ${each.name}`} onClick={() => put(each)}>
                                    {each.kind === 'picks'
                                        ? 'Add'
                                        : each.branch === 'leaves-out'
                                          ? 'Show again'
                                          : 'Add'}
                                </Button>
                            </li>
                        ))}
                        <li>
                            <Button variant="quiet" className="-ml-2" onClick={() => setChoosing(false)}>
                                Cancel
                            </Button>
                        </li>
                    </ul>
                )}
            </dd>
        </>
    )
}

const stands = ({ entries, branch }: MenuOfPage) => entries > 0 || branch === 'shows'

function how({ kind, entries, branch, place }: MenuOfPage) {
    const said = [
        kind === 'picks' ? 'picked' : entries > 0 ? (entries === 1 ? 'an entry of its own' : `${entries} entries`) : '',
        branch === 'shows' ? 'in a branch' : '',
        place === null ? 'shown nowhere' : '',
    ].filter(part => part !== '')
    return said.join(', ')
}
