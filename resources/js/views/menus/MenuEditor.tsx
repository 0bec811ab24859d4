import { DndContext, DragOverlay } from '@dnd-kit/core'
import { Monitor, Smartphone } from 'lucide-react'
import { useState } from 'react'
import { notify } from '../../app/notify'
import type { Schemas } from '../../api/client'
import { AskBeforeLeaving } from '../../app/AskBeforeLeaving'
import { useChanges } from '../../app/changes'
import { useSite } from '../../app/site'
import { Button } from '../../ui/Button'
import { inputClasses } from '../../ui/Field'
import { Hint } from '../../ui/Hint'
import { AddEntry } from './AddEntry'
import { change, find, lines, pathOf, put, toPage, topmost, without, withoutAll } from './arrangement'
import { Bring } from './Bring'
import { Drawn } from './Drawn'
import { EntryFields } from './EntryFields'
import { EntryTree } from './EntryTree'
import { Findings } from './Findings'
import { MenuActs } from './MenuActs'
import type { Search, SetSearch } from './search'
import { MarkedEntries, ToMenu } from './MarkedEntries'
import { MenuList } from './MenuList'
import { PagesBeside } from './PagesBeside'
import { useArrangement } from './useArrangement'
import { useEntryDrag } from './useEntryDrag'

type Props = { menu: Schemas['MenuItem']; list: Schemas['MenuList']; search: Search; set: SetSearch }

/** One menu: drawn as somebody gets it, and its entries below, arranged here and applied as one change. */
export function MenuEditor({ menu, list, search, set }: Props) {
    const site = useSite()
    const writes = site.manages
    const { looked, entries, isUnsaved, isStale, problem, stored, arrange, back, drop, keepMine, apply, moveTo } =
        useArrangement(site.key, menu.id, { who: search.who, at: search.at })
    const { propose } = useChanges()
    const [bringing, setBringing] = useState(false)
    const [beside, setBeside] = useState(false)
    const [marked, setMarks] = useState<ReadonlySet<string>>(new Set())
    const active = find(entries, search.entry)
    const picks = menu.kind === 'picks'
    const here = lines(entries)
    const marks = new Set(here.map(line => line.entry.id).filter(id => marked.has(id)))
    const elsewhere = (to: string, ids: ReadonlySet<string>) => {
        const other = list.menus.find(each => each.id === to)
        if (other === undefined || other.id === menu.id) return
        if (other.kind === 'picks' && lines(topmost(entries, ids)).some(line => line.entry.kind !== 'page'))
            return void notify.error(`${other.name} takes pages only: these entries lead elsewhere.`)
        setMarks(new Set())
        void moveTo(other, ids, menu.name)
    }
    const others = list.menus.filter(each => each.id !== menu.id)
    const pageElsewhere = (to: string, page: { id: string; name: string }) =>
        to === menu.id
            ? arrange([...entries, toPage(page)])
            : void propose({
                  title: `Putting ${page.name} into ${list.menus.find(each => each.id === to)?.name ?? 'a menu'}`,
                  act: 'Put it in',
                  batch: { changes: [{ kind: 'add-to-menu', page: page.id, menu: to }] },
              })
    const drag = useEntryDrag({
        entries,
        marks,
        onArrange: arrange,
        onElsewhere: elsewhere,
        onPageElsewhere: pageElsewhere,
    })
    const add = (entry: Parameters<typeof put>[1]) => {
        arrange(put(entries, entry, active?.parent ?? null, active === undefined ? entries.length : active.index + 1))
        onEntry(entry.id)
    }
    const shown = new Map<string, Schemas['ShownEntry']>()
    const note = (each: Schemas['ShownEntry'][]) =>
        each.forEach(one => {
            if (!shown.has(one.entry)) shown.set(one.entry, one)
            note(one.under)
        })
    note(looked?.shown ?? [])
    const place = list.places.find(each => each.key === menu.place)
    const errorOf = (field: string) =>
        problem?.problem.errors?.find(
            each => each.field === `${active === undefined ? '' : pathOf(entries, active.entry.id)}.${field}`,
        )?.reason
    const out = (id: string) => {
        arrange(without(entries, id))
        set({ entry: undefined })
    }
    const onEntry = (entry: string) => set({ entry })
    return (
        <DndContext {...drag.context}>
            <MenuList
                list={list}
                chosen={menu.id}
                writes={writes}
                onChoose={chosen => set({ menu: chosen, entry: undefined })}
            />
            <div className="flex min-w-0 flex-1 flex-col">
                <div className="flex min-h-14 flex-wrap items-center gap-x-4 gap-y-2 px-4 py-2">
                    <h1 className="text-[20px] leading-6 font-bold tracking-[-0.01em]">{menu.name}</h1>
                    <p className="text-ink-2">{place?.name ?? 'shown nowhere'}</p>
                    <span className="ml-auto flex items-center gap-2">
                        {writes && (
                            <MenuActs
                                menu={menu}
                                list={list}
                                onBring={() => setBringing(true)}
                                onGone={() => set({ menu: undefined, entry: undefined })}
                            />
                        )}
                        {writes && (
                            <Button aria-pressed={beside} onClick={() => setBeside(!beside)}>
                                Show pages
                            </Button>
                        )}
                        {writes && <AddEntry picks={picks} onAdd={add} />}
                    </span>
                </div>
                <div className="flex flex-wrap items-end gap-x-4 gap-y-2 border-y border-line bg-sunk px-4 py-2">
                    <label className="flex items-center gap-2 text-ink-2">
                        As{' '}
                        <select
                            aria-label="Who looks"
                            className={`${inputClasses} w-auto!`}
                            value={search.who ?? ''}
                            onChange={event => set({ who: event.target.value === '' ? undefined : event.target.value })}
                        >
                            <option value="">a visitor</option>
                            <option value="signed-in">somebody signed in</option>
                            {rolesIn(entries).map(role => (
                                <option key={role} value={`roles:${role}`}>{`signed in as ${role}`}</option>
                            ))}
                        </select>
                    </label>
                    <label className="flex items-center gap-2 text-ink-2">
                        on{' '}
                        <input
                            aria-label="When"
                            type="datetime-local"
                            className={`${inputClasses} w-auto!`}
                            value={search.at ?? ''}
                            onChange={event => set({ at: event.target.value === '' ? undefined : event.target.value })}
                        />
                    </label>
                    {search.at === undefined ? (
                        <span className="pb-1.5 text-[12px] text-ink-3">now</span>
                    ) : (
                        <Button variant="quiet" onClick={() => set({ at: undefined })}>
                            Now
                        </Button>
                    )}
                    <div role="group" aria-label="Width" className="ml-auto flex gap-1">
                        <Hint description="On a wide screen">
                            <Button
                                aria-label="Wide"
                                aria-pressed={search.width === undefined}
                                variant={search.width === undefined ? 'plain' : 'quiet'}
                                onClick={() => set({ width: undefined })}
                            >
                                <Monitor size={15} aria-hidden />
                            </Button>
                        </Hint>
                        <Hint description="On a phone">
                            <Button
                                aria-label="Phone"
                                aria-pressed={search.width === 'phone'}
                                variant={search.width === 'phone' ? 'plain' : 'quiet'}
                                onClick={() => set({ width: 'phone' })}
                            >
                                <Smartphone size={15} aria-hidden />
                            </Button>
                        </Hint>
                    </div>
                </div>
                <div className="min-h-0 flex-1 overflow-y-auto">
                    <section aria-label="As it is seen" className="border-b border-line bg-sunk px-4 py-3.5">
                        <div
                            className={
                                search.width === 'phone'
                                    ? 'mx-auto max-w-[340px] rounded-md bg-sheet p-3 shadow-float'
                                    : 'rounded-md bg-sheet p-3'
                            }
                        >
                            {looked !== undefined && (
                                <Drawn
                                    shown={looked.shown}
                                    place={menu.place}
                                    kind={menu.kind}
                                    phone={search.width === 'phone'}
                                    entry={search.entry}
                                    audiences={
                                        new Map(lines(entries).map(line => [line.entry.id, line.entry.audience ?? '']))
                                    }
                                    onEntry={onEntry}
                                />
                            )}
                        </div>
                    </section>
                    {looked !== undefined && (
                        <Findings
                            menu={looked}
                            place={place}
                            writes={writes}
                            onEntry={onEntry}
                            onLead={(entry, page) => arrange(change(entries, entry, { kind: 'page', page }))}
                            onOut={out}
                        />
                    )}
                    {isStale && (
                        <div
                            role="alert"
                            className="flex flex-wrap items-center gap-3 bg-amber-soft px-4 py-2 text-amber"
                        >
                            Somebody changed this menu while you arranged it.<Button onClick={drop}>Take theirs</Button>
                            <Button onClick={keepMine}>Put mine over it</Button>
                        </div>
                    )}
                    {problem !== null && (
                        <p role="alert" className="px-4 py-2 text-berry">
                            {problem.message}
                        </p>
                    )}
                    {marks.size > 0 && writes && (
                        <MarkedEntries
                            marked={marks.size}
                            others={others}
                            onElsewhere={to => elsewhere(to, marks)}
                            onOut={() => {
                                arrange(withoutAll(entries, marks))
                                setMarks(new Set())
                            }}
                            onClear={() => setMarks(new Set())}
                        />
                    )}
                    <EntryTree
                        entries={entries}
                        active={search.entry}
                        marks={marks}
                        spot={drag.spot}
                        shown={shown}
                        writes={writes}
                        onActive={onEntry}
                        onMarks={setMarks}
                        onArrange={arrange}
                    />
                    {stored.data !== undefined && entries.length === 0 && (
                        <p className="px-4 py-6 text-ink-3">
                            {picks
                                ? 'No page is picked yet. Pick one here, from the outline, or from the sheet of a page.'
                                : 'No entries yet. Add one, or bring in a list.'}
                        </p>
                    )}
                </div>
                {isUnsaved && (
                    <div
                        className="flex items-center gap-2 border-t border-line bg-sheet px-4 py-2"
                        role="region"
                        aria-label="Arrangement"
                    >
                        <p className="text-ink-2">Arranged here, not yet for visitors.</p>
                        <span className="ml-auto flex gap-2">
                            {back !== null && <Button onClick={back}>One step back</Button>}
                            <Button onClick={drop}>Drop it</Button>
                            <Button
                                variant="main"
                                disabled={problem !== null || isStale}
                                onClick={() => apply(menu.name)}
                            >
                                Show what follows
                            </Button>
                        </span>
                    </div>
                )}
            </div>
            {beside && writes && <PagesBeside onAdd={page => add(toPage(page))} onClose={() => setBeside(false)} />}
            {active !== undefined && !beside && (
                <EntryFields
                    key={active.entry.id}
                    entry={active.entry}
                    entries={entries}
                    picks={picks}
                    writes={writes}
                    error={errorOf}
                    onChange={fields => arrange(change(entries, active.entry.id, fields))}
                    onArrange={arrange}
                    toMenu={<ToMenu others={others} onMenu={to => elsewhere(to, new Set([active.entry.id]))} />}
                    onOut={() => out(active.entry.id)}
                    onClose={() => set({ entry: undefined })}
                />
            )}
            <Bring
                site={site.key}
                menu={menu.id}
                open={bringing}
                onClose={() => setBringing(false)}
                onEntries={found => arrange([...entries, ...found])}
            />
            <AskBeforeLeaving
                unsaved={isUnsaved}
                part="menu"
                title={`Leave with ${menu.name} arranged and not applied?`}
                description="What you arranged here is not for visitors yet, and would be lost."
                leave="Leave without it"
            />
            <DragOverlay dropAnimation={null}>
                {drag.dragging !== null && (
                    <p className="w-max rounded bg-sheet px-2.5 py-1 font-medium shadow-float">{drag.dragging}</p>
                )}
            </DragOverlay>
        </DndContext>
    )
}

function rolesIn(entries: Parameters<typeof lines>[0]) {
    return [
        ...new Set(
            lines(entries).flatMap(({ entry }) =>
                entry.audience?.startsWith('roles:') === true
                    ? entry.audience
                          .slice(6)
                          .split(',')
                          .map(role => role.trim())
                          .filter(role => role !== '')
                    : [],
            ),
        ),
    ]
}
