import { Monitor, Smartphone } from 'lucide-react'
import { useState } from 'react'
import type { Schemas } from '../../api/client'
import { AskBeforeLeaving } from '../../app/AskBeforeLeaving'
import { useSite } from '../../app/site'
import { Button } from '../../ui/Button'
import { inputLook } from '../../ui/Field'
import { Hint } from '../../ui/Hint'
import { AddEntry } from './AddEntry'
import { change, find, lines, pathOf, put, without } from './arrangement'
import { Bring } from './Bring'
import { Drawn } from './Drawn'
import { EntryFields } from './EntryFields'
import { EntryTree } from './EntryTree'
import { Findings } from './Findings'
import { MenuActs } from './MenuActs'
import type { Search, SetSearch } from './search'
import { useArrangement } from './useArrangement'

type Props = { menu: Schemas['MenuItem']; list: Schemas['MenuList']; search: Search; set: SetSearch }

/** One menu: drawn as somebody gets it, and its entries below, arranged here and applied as one change. */
export function MenuEditor({ menu, list, search, set }: Props) {
    const site = useSite()
    const writes = site.manages
    const { looked, entries, isUnsaved, isStale, problem, stored, arrange, back, drop, keepMine, apply } = useArrangement(site.key, menu.id, { who: search.who, at: search.at })
    const [bringing, setBringing] = useState(false)
    const active = find(entries, search.entry)
    const picks = menu.kind === 'picks'
    const shown = new Map<string, Schemas['ShownEntry']>()
    const note = (each: Schemas['ShownEntry'][]) => each.forEach(one => { if (!shown.has(one.entry)) shown.set(one.entry, one); note(one.under) })
    note(looked?.shown ?? [])
    const place = list.places.find(each => each.key === menu.place)
    const errorOf = (field: string) => problem?.problem.errors?.find(each => each.field === `${active === undefined ? '' : pathOf(entries, active.entry.id)}.${field}`)?.reason
    const out = (id: string) => {
        arrange(without(entries, id))
        set({ entry: undefined })
    }
    const onEntry = (entry: string) => set({ entry })
    return (
        <>
            <div className="flex min-w-0 flex-1 flex-col">
                <div className="flex min-h-14 flex-wrap items-center gap-x-4 gap-y-2 px-4 py-2">
                    <h1 className="text-[20px] leading-6 font-bold tracking-[-0.01em]">{menu.name}</h1>
                    <p className="text-ink-2">{place?.name ?? 'shown nowhere'}</p>
                    <span className="ml-auto flex items-center gap-2">
                        {writes && <MenuActs menu={menu} list={list} onBring={() => setBringing(true)} onGone={() => set({ menu: undefined, entry: undefined })} />}
                        {writes && <AddEntry picks={picks} onAdd={entry => { arrange(put(entries, entry, active?.parent ?? null, active === undefined ? entries.length : active.index + 1)); onEntry(entry.id) }} />}
                    </span>
                </div>
                <div className="flex flex-wrap items-end gap-x-4 gap-y-2 border-y border-line bg-sunk px-4 py-2">
                    <label className="flex items-center gap-2 text-ink-2">As <select aria-label="Who looks" className={`${inputLook} w-auto!`} value={search.who ?? ''} onChange={event => set({ who: event.target.value === '' ? undefined : event.target.value })}><option value="">a visitor</option><option value="signed-in">somebody signed in</option>{rolesIn(entries).map(role => <option key={role} value={`roles:${role}`}>{`signed in as ${role}`}</option>)}</select></label>
                    <label className="flex items-center gap-2 text-ink-2">on <input aria-label="When" type="datetime-local" className={`${inputLook} w-auto!`} value={search.at ?? ''} onChange={event => set({ at: event.target.value === '' ? undefined : event.target.value })} /></label>
                    {search.at === undefined ? <span className="pb-1.5 text-[12px] text-ink-3">now</span> : <Button look="quiet" onClick={() => set({ at: undefined })}>Now</Button>}
                    <div role="group" aria-label="Width" className="ml-auto flex gap-1">
                        <Hint says="On a wide screen"><Button aria-label="Wide" aria-pressed={search.width === undefined} look={search.width === undefined ? 'plain' : 'quiet'} onClick={() => set({ width: undefined })}><Monitor size={15} aria-hidden /></Button></Hint>
                        <Hint says="On a phone"><Button aria-label="Phone" aria-pressed={search.width === 'phone'} look={search.width === 'phone' ? 'plain' : 'quiet'} onClick={() => set({ width: 'phone' })}><Smartphone size={15} aria-hidden /></Button></Hint>
                    </div>
                </div>
                <div className="min-h-0 flex-1 overflow-y-auto">
                    <section aria-label="As it is seen" className="border-b border-line bg-sunk px-4 py-3.5">
                        <div className={search.width === 'phone' ? 'mx-auto max-w-[340px] rounded-md bg-sheet p-3 shadow-float' : 'rounded-md bg-sheet p-3'}>
                            {looked !== undefined && <Drawn shown={looked.shown} place={menu.place} kind={menu.kind} phone={search.width === 'phone'} entry={search.entry} audiences={new Map(lines(entries).map(line => [line.entry.id, line.entry.audience ?? '']))} onEntry={onEntry} />}
                        </div>
                    </section>
                    {looked !== undefined && <Findings menu={looked} place={place} writes={writes} onEntry={onEntry} onLead={(entry, page) => arrange(change(entries, entry, { kind: 'page', page }))} onOut={out} />}
                    {isStale && <div role="alert" className="flex flex-wrap items-center gap-3 bg-amber-soft px-4 py-2 text-amber">Somebody changed this menu while you arranged it.<Button onClick={drop}>Take theirs</Button><Button onClick={keepMine}>Put mine over it</Button></div>}
                    {problem !== null && <p role="alert" className="px-4 py-2 text-berry">{problem.message}</p>}
                    <EntryTree entries={entries} active={search.entry} shown={shown} writes={writes} onActive={onEntry} onArrange={arrange} onOut={out} />
                    {stored.data !== undefined && entries.length === 0 && <p className="px-4 py-6 text-ink-3">{picks ? 'No page is picked yet. Pick one here, from the outline, or from the sheet of a page.' : 'No entries yet. Add one, or bring in a list.'}</p>}
                </div>
                {isUnsaved && (
                    <div className="flex items-center gap-2 border-t border-line bg-sheet px-4 py-2" role="region" aria-label="Arrangement">
                        <p className="text-ink-2">Arranged here, not yet for visitors.</p>
                        <span className="ml-auto flex gap-2">{back !== null && <Button onClick={back}>One step back</Button>}<Button onClick={drop}>Drop it</Button><Button look="main" disabled={problem !== null || isStale} onClick={() => apply(menu.name)}>Show what follows</Button></span>
                    </div>
                )}
            </div>
            {active !== undefined && <EntryFields key={active.entry.id} entry={active.entry} entries={entries} picks={picks} writes={writes} error={errorOf} onChange={fields => arrange(change(entries, active.entry.id, fields))} onArrange={arrange} onOut={() => out(active.entry.id)} onClose={() => set({ entry: undefined })} />}
            <Bring site={site.key} menu={menu.id} open={bringing} onClose={() => setBringing(false)} onEntries={found => arrange([...entries, ...found])} />
            <AskBeforeLeaving unsaved={isUnsaved} part="menu" title={`Leave with ${menu.name} arranged and not applied?`} says="What you arranged here is not for visitors yet, and would be lost." leave="Leave without it" />
        </>
    )
}

function rolesIn(entries: Parameters<typeof lines>[0]) {
    return [...new Set(lines(entries).flatMap(({ entry }) => (entry.audience?.startsWith('roles:') === true ? entry.audience.slice(6).split(',').map(role => role.trim()).filter(role => role !== '') : [])))]
}
