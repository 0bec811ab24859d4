import { DropdownMenu } from 'radix-ui'
import { MoreHorizontal } from 'lucide-react'
import { useState } from 'react'
import type { Schemas } from '../../api/client'
import { useChanges } from '../../app/changes'
import { useSite } from '../../app/site'
import { Button } from '../../ui/Button'
import { NameDialog } from '../../ui/NameDialog'

type Props = { menu: Schemas['MenuItem']; list: Schemas['MenuList']; onBring: () => void; onGone: () => void }

/** What is done to a menu as a whole: where it stands, its name, files in and out, removing it. */
export function MenuActs({ menu, list, onBring, onGone }: Props) {
    const site = useSite()
    const { propose } = useChanges()
    const [naming, setNaming] = useState(false)
    const item = 'flex cursor-pointer items-center rounded px-2.5 py-1.5 outline-none data-[highlighted]:bg-heron-soft'
    const file = (format: string) => `/api/v1/sites/${site.key}/menus/${menu.id}/file?format=${format}`
    const place = (key: string | null, name: string) =>
        void propose({
            title: key === null ? `Removing ${menu.name} from its place` : `Placing ${menu.name} at ${name}`,
            act: key === null ? 'Remove from place' : 'Place it',
            batch: { changes: [{ kind: 'place-menu', menu: menu.id, place: key }] },
        })
    return (
        <>
            <DropdownMenu.Root>
                <DropdownMenu.Trigger asChild>
                    <Button aria-label={`Change ${menu.name}`} className="w-[30px]! px-0!">
                        <MoreHorizontal size={16} aria-hidden />
                    </Button>
                </DropdownMenu.Trigger>
                <DropdownMenu.Portal>
                    <DropdownMenu.Content
                        align="end"
                        sideOffset={4}
                        className="z-50 min-w-[220px] rounded-md bg-sheet p-1 shadow-float"
                    >
                        {list.places
                            .filter(each => each.kind === menu.kind && each.key !== menu.place)
                            .map(each => {
                                const there = list.menus.find(other => other.place === each.key)
                                return (
                                    <DropdownMenu.Item
                                        key={each.key}
                                        className={item}
                                        onSelect={() => place(each.key, each.name)}
                                    >
                                        Place at {each.name}
                                        {there === undefined ? '' : `, trade with ${there.name}`}
                                    </DropdownMenu.Item>
                                )
                            })}
                        {menu.place !== null && (
                            <DropdownMenu.Item className={item} onSelect={() => place(null, '')}>
                                Show nowhere
                            </DropdownMenu.Item>
                        )}
                        <DropdownMenu.Separator className="my-1 h-px bg-line" />
                        <DropdownMenu.Item className={item} onSelect={() => setNaming(true)}>
                            Rename…
                        </DropdownMenu.Item>
                        <DropdownMenu.Item className={item} onSelect={onBring}>
                            Import entries…
                        </DropdownMenu.Item>
                        <DropdownMenu.Item className={item} asChild>
                            <a href={file('json')} download>
                                Save as a file (JSON)
                            </a>
                        </DropdownMenu.Item>
                        <DropdownMenu.Item className={item} asChild>
                            <a href={file('opml')} download>
                                Save as an outline (OPML)
                            </a>
                        </DropdownMenu.Item>
                        <DropdownMenu.Separator className="my-1 h-px bg-line" />
                        <DropdownMenu.Item
                            className={`${item} text-berry`}
                            onSelect={() =>
                                void propose({
                                    title: `Removing ${menu.name}`,
                                    act: 'Remove',
                                    batch: { changes: [{ kind: 'remove-menu', menu: menu.id }] },
                                    done: onGone,
                                })
                            }
                        >
                            Remove
                        </DropdownMenu.Item>
                    </DropdownMenu.Content>
                </DropdownMenu.Portal>
            </DropdownMenu.Root>
            {naming && (
                <NameDialog
                    title={`Rename ${menu.name}`}
                    name={menu.name}
                    act="Rename"
                    onClose={() => setNaming(false)}
                    onName={(name, failed) =>
                        void propose({
                            title: `Renaming ${menu.name}`,
                            act: 'Rename',
                            batch: { changes: [{ kind: 'rename-menu', menu: menu.id, name }] },
                            failed,
                            now: true,
                            done: () => setNaming(false),
                        })
                    }
                />
            )}
        </>
    )
}
