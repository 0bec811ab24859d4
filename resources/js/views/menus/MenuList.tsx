import { useDroppable } from '@dnd-kit/core'
import clsx from 'clsx'
import { useState } from 'react'
import type { ApiProblem, Schemas } from '../../api/client'
import { ulid } from '../../api/ulid'
import { useAsked } from '../../app/asked'
import { useChanges } from '../../app/changes'
import { Button } from '../../ui/Button'
import { NameDialog } from '../../ui/NameDialog'
import { StartPages } from './StartPages'
import { UnreachedPages } from './UnreachedPages'

type Props = {
    list: Schemas['MenuList']
    chosen: string | undefined
    writes: boolean
    onChoose: (menu: string) => void
}

/** The places of the layout with what stands there, then what stands nowhere. */
export function MenuList({ list, chosen, writes, onChoose }: Props) {
    const [making, setMaking] = useState<'menu' | 'picks' | null>(null)
    useAsked(({ what }) => {
        if (what === 'new-menu' && writes) setMaking('menu')
        return what === 'new-menu'
    })
    const groups: ['menu' | 'picks', string][] = [
        ['menu', 'Menus'],
        ['picks', 'Picks'],
    ]
    return (
        <nav
            aria-label="Menus and picks"
            className="flex w-[212px] shrink-0 flex-col gap-4 overflow-y-auto border-r border-line px-3 py-3.5"
        >
            {groups.map(([kind, title]) => (
                <section key={kind} aria-label={title}>
                    <div className="flex items-center justify-between px-1.5">
                        <h2 className="text-[12px] text-ink-3">{title}</h2>
                        {writes && (
                            <Button
                                variant="quiet"
                                className="h-6! px-1.5! text-[12px]"
                                onClick={() => setMaking(kind)}
                            >
                                {kind === 'menu' ? 'New menu' : 'New picks'}
                            </Button>
                        )}
                    </div>
                    <ul className="mt-0.5 grid gap-px">
                        {list.places
                            .filter(place => place.kind === kind)
                            .map(place => {
                                const menu = list.menus.find(each => each.place === place.key)
                                return (
                                    <li key={place.key}>
                                        {menu === undefined ? (
                                            <p className="px-1.5 py-1 leading-4 text-ink-3">
                                                {place.name}
                                                <span className="block text-[12px]">nothing stands here</span>
                                            </p>
                                        ) : (
                                            <Item
                                                menu={menu}
                                                under={place.name}
                                                isChosen={menu.id === chosen}
                                                onChoose={onChoose}
                                            />
                                        )}
                                    </li>
                                )
                            })}
                        {list.menus
                            .filter(menu => menu.kind === kind && menu.place === null)
                            .map(menu => (
                                <li key={menu.id}>
                                    <Item
                                        menu={menu}
                                        under="shown nowhere"
                                        isChosen={menu.id === chosen}
                                        onChoose={onChoose}
                                    />
                                </li>
                            ))}
                    </ul>
                </section>
            ))}
            <StartPages start={list.startPages} writes={writes} />
            <UnreachedPages menus={list.menus} writes={writes} />
            {making !== null && <Make kind={making} onClose={() => setMaking(null)} onMade={onChoose} />}
        </nav>
    )
}

function Item({
    menu,
    under,
    isChosen,
    onChoose,
}: {
    menu: Schemas['MenuItem']
    under: string
    isChosen: boolean
    onChoose: (menu: string) => void
}) {
    const { setNodeRef, isOver } = useDroppable({ id: `menu ${menu.id}`, data: { menu: menu.id } })
    return (
        <button
            ref={setNodeRef}
            type="button"
            aria-current={isChosen ? 'true' : undefined}
            onClick={() => onChoose(menu.id)}
            className={clsx(
                'w-full rounded px-1.5 py-1 text-left leading-4',
                isChosen ? 'bg-heron-soft shadow-[inset_3px_0_var(--heron)]' : 'hover:bg-sunk',
                isOver && 'outline outline-2 outline-heron',
            )}
        >
            <span className="flex justify-between gap-2">
                <b className="truncate font-semibold">{menu.name}</b>
                <span className="text-[12px] text-ink-3">{menu.entries}</span>
            </span>
            <span className="block truncate text-[12px] text-ink-3">{under}</span>
        </button>
    )
}

function Make({
    kind,
    onClose,
    onMade,
}: {
    kind: 'menu' | 'picks'
    onClose: () => void
    onMade: (menu: string) => void
}) {
    const { propose } = useChanges()
    const make = (name: string, failed: (problem: ApiProblem) => void) => {
        const menu = ulid()
        void propose({
            title: `Making ${name}`,
            act: 'Make',
            batch: { changes: [{ kind: 'make-menu', menu, name, of: kind }] },
            failed,
            now: true,
            done: () => {
                onMade(menu)
                onClose()
            },
        })
    }
    return kind === 'menu' ? (
        <NameDialog
            title="New menu"
            description="It is shown nowhere until it is placed."
            hint={hint}
            act="Make menu"
            onClose={onClose}
            onName={make}
        />
    ) : (
        <NameDialog
            title="New picks"
            description="A list of pages chosen by hand, shown nowhere until it is placed."
            hint={hint}
            act="Make picks"
            onClose={onClose}
            onName={make}
        />
    )
}

const hint = 'For those who manage the site; visitors do not see it.'
