import { DndContext, DragOverlay } from '@dnd-kit/core'
import { useState } from 'react'
import { AskBeforeLeaving } from '../../app/AskBeforeLeaving'
import { Alert } from '../../ui/Alert'
import { Button } from '../../ui/Button'
import { AddEntry } from './AddEntry'
import { change, toPage } from './arrangement'
import { ArrangementBar } from './ArrangementBar'
import { BranchAtRest } from './BranchAtRest'
import { itemsIn, onlyBranch } from './branches'
import { Bring } from './Bring'
import { EntryFields } from './EntryFields'
import { EntryTree } from './EntryTree'
import { Findings } from './Findings'
import { LookAs } from './LookAs'
import { MarkedEntries, ToMenu } from './MarkedEntries'
import { MenuActs } from './MenuActs'
import { MenuList } from './MenuList'
import { MenuTitle } from './MenuTitle'
import { PagesBeside } from './PagesBeside'
import { SeenMenu } from './SeenMenu'
import { useMenuEditor, type MenuEditing } from './useMenuEditor'

/** One menu: drawn as somebody gets it, and its entries below, arranged here and applied as one change. */
export function MenuEditor(editing: MenuEditing) {
    const { menu, list, search, set } = editing
    const editor = useMenuEditor(editing)
    const { site, entries, looked, active, marks, problem, isUnsaved, isStale, arrange, onEntry, elsewhere } = editor
    const writes = site.may('menus')
    const [bringing, setBringing] = useState(false)
    const [beside, setBeside] = useState(false)
    const picks = menu.kind === 'picks'
    const others = list.menus.filter(each => each.id !== menu.id)
    const alone = onlyBranch(entries)
    const place = list.places.find(each => each.key === menu.place)
    return (
        <DndContext {...editor.drag.context}>
            <MenuList
                list={list}
                chosen={menu.id}
                writes={writes}
                onChoose={chosen => set({ menu: chosen, entry: undefined })}
            />
            <div className="flex min-w-0 flex-1 flex-col">
                <MenuTitle name={menu.name} place={place?.name} isPicks={picks}>
                    {writes && (
                        <>
                            <MenuActs
                                menu={menu}
                                list={list}
                                onBring={() => setBringing(true)}
                                onGone={() => set({ menu: undefined, entry: undefined })}
                            />
                            <Button aria-pressed={beside} onClick={() => setBeside(!beside)}>
                                Show pages
                            </Button>
                            <AddEntry picks={picks} onAdd={editor.add} />
                        </>
                    )}
                </MenuTitle>
                <LookAs entries={entries} search={search} set={set} />
                <div className="min-h-0 flex-1 overflow-y-auto">
                    <SeenMenu
                        menu={menu}
                        looked={looked}
                        entries={entries}
                        search={search}
                        chosen={
                            editor.seen ?? (search.entry === undefined ? null : { entry: search.entry, page: null })
                        }
                        writes={writes}
                        spot={editor.drag.seenSpot}
                        isSteady={isUnsaved}
                        editing={editor.editing}
                        onSeen={editor.onSeen}
                    />
                    {isStale && (
                        <div
                            role="alert"
                            className="flex flex-wrap items-center gap-3 bg-amber-soft px-4 py-2 text-amber"
                        >
                            Somebody changed this menu while you were editing it.
                            <Button onClick={editor.drop}>Use theirs</Button>
                            <Button onClick={editor.keepMine}>Overwrite with mine</Button>
                        </div>
                    )}
                    {problem !== null && <Alert className="px-4 py-2">{problem.message}</Alert>}
                    {editor.stored.error !== null && <Alert className="px-4 py-2">{editor.stored.error.message}</Alert>}
                    {marks.size > 0 && writes && (
                        <MarkedEntries
                            marked={marks.size}
                            others={others}
                            onElsewhere={to => elsewhere(to, marks)}
                            onOut={editor.outMarked}
                            onClear={() => editor.setMarks(new Set())}
                        />
                    )}
                    <EntryTree
                        entries={entries}
                        active={search.entry}
                        marks={marks}
                        spot={editor.drag.spot}
                        shown={editor.shown}
                        writes={writes}
                        onActive={onEntry}
                        onMarks={editor.setMarks}
                        onArrange={arrange}
                    />
                    {alone !== undefined && active === undefined && looked !== undefined && (
                        <BranchAtRest
                            entry={alone}
                            shown={looked.shown}
                            writes={writes}
                            onChange={fields => arrange(change(entries, alone.id, fields))}
                            onSeen={editor.onSeen}
                        />
                    )}
                    {editor.stored.data !== undefined && entries.length === 0 && (
                        <p className="px-4 py-6 text-ink-3">
                            {picks
                                ? 'No page is picked yet. Pick one here, from the outline, or from the sheet of a page.'
                                : 'No entries yet. Add one, or import a list.'}
                        </p>
                    )}
                </div>
                {looked !== undefined && (
                    <Findings
                        menu={looked}
                        place={place}
                        writes={writes}
                        isSteady={isUnsaved}
                        onEntry={onEntry}
                        onLead={(entry, page) => arrange(change(entries, entry, { kind: 'page', page }))}
                        onOut={editor.out}
                    />
                )}
                {isUnsaved && (
                    <ArrangementBar
                        ready={problem === null && !isStale}
                        onBack={editor.back}
                        onDrop={editor.drop}
                        onApply={() => editor.apply(menu.name)}
                    />
                )}
            </div>
            {beside && writes && (
                <PagesBeside onAdd={page => editor.add(toPage(page))} onClose={() => setBeside(false)} />
            )}
            {active !== undefined && !beside && (
                <EntryFields
                    key={active.entry.id}
                    entry={active.entry}
                    entries={entries}
                    picks={picks}
                    writes={writes}
                    seen={editor.seen === null ? undefined : itemsIn(looked?.shown ?? [], editor.seen)}
                    editing={editor.editing}
                    error={editor.errorOf}
                    onChange={fields => arrange(change(entries, active.entry.id, fields))}
                    onArrange={arrange}
                    toMenu={<ToMenu others={others} onMenu={to => elsewhere(to, new Set([active.entry.id]))} />}
                    onOut={() => editor.out(active.entry.id)}
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
                title={`Leave with unsaved changes to ${menu.name}?`}
                description="Your changes to this menu are not saved and would be lost."
                leave="Leave without saving"
            />
            <DragOverlay dropAnimation={null}>
                {editor.drag.dragging !== null && (
                    <p className="w-max rounded bg-sheet px-2.5 py-1 font-medium shadow-float">
                        {editor.drag.dragging}
                    </p>
                )}
            </DragOverlay>
        </DndContext>
    )
}
