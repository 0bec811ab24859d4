import { useQuery } from '@tanstack/react-query'
import { Link } from '@tanstack/react-router'
import { useState } from 'react'
import type { Schemas } from '../../api/client'
import { unreachedQuery } from '../../api/viewQueries'
import { useChanges } from '../../app/changes'
import { useSite } from '../../app/site'
import { readable } from '../../ui/Address'
import { Button } from '../../ui/Button'
import { count } from '../../ui/count'
import { Modal } from '../../ui/Modal'
import { MenuAct, MenuLine, MenuList } from '../../ui/MenuList'
import { ReadFailure } from '../../ui/ReadFailure'

/** Pages that visitors find in no menu, the farthest first; each leads to its row. */
export function UnreachedPages({ menus, writes }: { menus: Schemas['MenuItem'][]; writes: boolean }) {
    const site = useSite()
    const unreached = useQuery(unreachedQuery(site.key))
    const { data } = unreached
    const [shown, show] = useState(false)
    if (data === undefined) return <ReadFailure of={unreached} />
    if (data.total === 0) return null
    return (
        <section aria-label="Reached by no menu" className="px-0.5">
            <Button
                variant="quiet"
                className="-ml-2 h-auto! py-1 text-left whitespace-normal!"
                onClick={() => show(true)}
            >
                {count(data.total, 'page is', 'pages are')} in no menu
            </Button>
            <Modal
                open={shown}
                onClose={() => show(false)}
                title="In no menu"
                help="reach"
                description="Live and listed, and neither in a menu nor in the side menu of a section that is."
                width={640}
            >
                <ul className="grid gap-1">
                    {data.pages.map(page => (
                        <li key={page.id} className="grid grid-cols-[1fr_1fr_84px_auto] items-center gap-3">
                            <Link
                                to="/s/$site/outline"
                                params={{ site: site.key }}
                                search={{ row: page.id, page: page.id }}
                                className="truncate font-semibold text-heron hover:underline"
                            >
                                {page.name}
                            </Link>
                            <span className="truncate font-mono text-[12px] text-ink-2">{readable(page.address)}</span>
                            <span className="text-right text-[12px] text-ink-3">
                                {page.clicks === null ? 'not linked' : count(page.clicks, 'click')}
                            </span>
                            {writes && <AddTo page={page} menus={menus} />}
                        </li>
                    ))}
                </ul>
                {data.total > data.pages.length && (
                    <p className="mt-2 text-[12px] text-ink-3">
                        and {(data.total - data.pages.length).toLocaleString('en-GB')} more
                    </p>
                )}
            </Modal>
        </section>
    )
}

/** Puts the page where visitors find it, or says that they need not. */
function AddTo({ page, menus }: { page: { id: string; name: string }; menus: Schemas['MenuItem'][] }) {
    const { propose } = useChanges()
    const [isOpen, open] = useState(false)
    const button = (
        <Button aria-label={`Add to… ${page.name}`} onClick={() => open(true)}>
            Add to…
        </Button>
    )
    if (!isOpen) return button
    return (
        <MenuList trigger={button} align="end" className="min-w-[180px]" onOpen={now => now || open(false)}>
            {menus.map(menu => (
                <MenuAct
                    key={menu.id}
                    onSelect={() =>
                        void propose({
                            title: `Adding ${page.name} to ${menu.name}`,
                            act: 'Add',
                            batch: { changes: [{ kind: 'add-to-menu', page: page.id, menu: menu.id }] },
                        })
                    }
                >
                    {menu.name}
                </MenuAct>
            ))}
            <MenuLine />
            <MenuAct
                onSelect={() =>
                    void propose({
                        title: `Unlisting ${page.name}`,
                        act: 'Unlist',
                        batch: { changes: [{ kind: 'unlist-page', page: page.id }] },
                    })
                }
            >
                Unlist: it needs no menu
            </MenuAct>
        </MenuList>
    )
}
