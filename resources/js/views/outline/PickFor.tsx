import { useQuery } from '@tanstack/react-query'
import { menusQuery, pageMenusQuery } from '../../api/viewQueries'
import { useChanges } from '../../app/changes'
import { useSite } from '../../app/site'
import { whomOf } from '../../app/pageActs'
import { Button } from '../../ui/Button'
import { count } from '../../ui/count'
import { Modal } from '../../ui/Modal'
import { Muted } from '../../ui/Muted'
import { ReadFailure } from '../../ui/ReadFailure'

type Props = { pages: { id: string; name: string }[]; onClose: () => void; onDone: () => void }

/** Picks one page or several for a place, or takes one off again. */
export function PickFor({ pages, onClose, onDone }: Props) {
    const site = useSite()
    const { propose } = useChanges()
    const menus = useQuery({ ...menusQuery(site.key), enabled: pages.length > 0 })
    const first = pages[0]
    const ofPage = useQuery({
        ...pageMenusQuery(site.key, first?.id ?? ''),
        enabled: pages.length === 1,
    })
    const list = menus.data
    const menusOfPage = ofPage.data ?? []
    const what = pages.length === 1 ? (first?.name ?? '') : count(pages.length, 'page')
    const whom = whomOf(pages)
    const act = (kind: 'add-to-menu' | 'remove-from-menu', menu: string, name: string) => {
        onClose()
        void propose({
            title: kind === 'add-to-menu' ? `Adding ${what} to ${name}` : `Removing ${what} from ${name}`,
            act: kind === 'add-to-menu' ? 'Add' : 'Remove',
            batch: { changes: [kind === 'add-to-menu' ? { kind, menu, ...whom } : { kind, menu, ...whom }] },
            now: true,
            done: onDone,
        })
    }
    const picks = list?.menus.filter(menu => menu.kind === 'picks') ?? []
    return (
        <Modal
            open={pages.length > 0}
            onClose={onClose}
            title={`Add ${what} to picks`}
            description="Picks are pages chosen by hand, shown as cards or a list."
            width={420}
        >
            <ReadFailure of={[menus, ofPage]} />
            {list !== undefined && picks.length === 0 && (
                <Muted>There are no picks yet. Make a list of them in Menus.</Muted>
            )}
            <ul className="grid gap-1">
                {picks.map(menu => {
                    const isIn = menusOfPage.some(each => each.menu === menu.id && each.entries > 0)
                    return (
                        <li key={menu.id} className="flex min-h-8 items-center gap-2">
                            <span className="min-w-0 flex-1 truncate">
                                <b className="font-semibold">{menu.name}</b>{' '}
                                <span className="text-[12px] text-ink-3">
                                    {list?.places.find(place => place.key === menu.place)?.name ?? 'shown nowhere'}
                                </span>
                            </span>
                            {isIn ? (
                                <Button
                                    aria-label={`Remove from ${menu.name}`}
                                    onClick={() => act('remove-from-menu', menu.id, menu.name)}
                                >
                                    Remove
                                </Button>
                            ) : (
                                <Button
                                    aria-label={`Add to ${menu.name}`}
                                    onClick={() => act('add-to-menu', menu.id, menu.name)}
                                >
                                    Add
                                </Button>
                            )}
                        </li>
                    )
                })}
            </ul>
        </Modal>
    )
}
