import { MomentField } from '../../ui/MomentField'
import { useState, type ReactNode } from 'react'
import type { Schemas } from '../../api/client'
import { useSite } from '../../app/site'
import { Choice } from '../../ui/Choice'
import { Field } from '../../ui/Field'
import { SidePanel } from '../../ui/SidePanel'
import { fieldMoment } from '../../ui/time'
import { nameOf, type Changed, type Entry } from './arrangement'
import { BranchFields } from './BranchFields'
import { CardFields } from './CardFields'
import { EntryActs } from './EntryActs'
import { EntryAudience } from './EntryAudience'
import { EntryClosed } from './EntryClosed'
import { EntryPickers, type Picking } from './EntryPickers'
import { EntryTarget } from './EntryTarget'
import { kindWord } from './labels'
import { SeenPage } from './SeenPage'
import type { SeenEditing } from './useSeenEditing'

/** What every part of the panel needs: the entry, how it is changed, and what is wrong with it. */
export type EntryEditing = {
    entry: Entry
    writes: boolean
    onChange: (fields: Changed) => void
    onPick: (what: Picking) => void
    error: (field: string) => string | undefined
}

type Props = Omit<EntryEditing, 'onPick'> & {
    entries: Entry[]
    picks: boolean
    /** The page that was chosen of what fills the entry. */
    seen: Schemas['ShownEntry'] | undefined
    editing: SeenEditing
    onArrange: (entries: Entry[]) => void
    toMenu: ReactNode
    onOut: () => void
    onClose: () => void
}

/** Everything about one entry: what it says, where it leads, for whom and when. */
export function EntryFields({
    entries,
    picks,
    seen,
    editing: acts,
    onArrange,
    toMenu,
    onOut,
    onClose,
    ...editing
}: Props) {
    const { entry, writes, onChange, error } = editing
    const site = useSite()
    const [picking, setPicking] = useState<Picking | null>(null)
    const parts: EntryEditing = { ...editing, onPick: setPicking }
    const leads = entry.kind !== 'separator' && entry.kind !== 'branch'
    const text = (field: 'label' | 'title') => ({
        value: entry[field] ?? '',
        onChange: (event: { target: { value: string } }) => onChange({ [field]: event.target.value }),
        error: error(field),
        disabled: !writes,
    })
    const moment = (field: 'from' | 'until') => ({
        value: fieldMoment(entry[field], site.zone),
        disabled: !writes,
        error: error(field),
        onChange: (value: string) => onChange({ [field]: value }),
    })
    return (
        <SidePanel
            label="Entry"
            title={nameOf(entry)}
            description={picks ? 'pick' : kindWord(entry.kind)}
            close="Close the entry"
            width="w-[340px] overflow-y-auto max-lg:w-[280px]"
            onClose={onClose}
        >
            <div className="grid gap-3 px-4 pb-4">
                {entry.kind === 'branch' && seen?.page != null && (
                    <SeenPage one={seen} of={nameOf(entry)} writes={writes} acts={acts} />
                )}
                {leads && (
                    <Field
                        stacked
                        label="Label"
                        placeholder={entry.pageName ?? ''}
                        hint={entry.kind === 'page' ? 'Without one it follows the name of the page.' : undefined}
                        {...text('label')}
                    />
                )}
                <EntryTarget {...parts} />
                {entry.kind === 'branch' && <BranchFields {...parts} />}
                {!picks && leads && entry.kind !== 'heading' && (
                    <>
                        <Field stacked label="Link title" hint="Said to those who point at it." {...text('title')} />
                        <Choice
                            disabled={!writes}
                            checked={entry.newWindow === true}
                            onChange={event => onChange({ newWindow: event.target.checked })}
                        >
                            Opens in a new window
                        </Choice>
                    </>
                )}
                {picks && <CardFields {...parts} />}
                <EntryAudience
                    audience={entry.audience ?? 'everyone'}
                    writes={writes}
                    error={error('audience')}
                    onChange={audience => onChange({ audience })}
                />
                {(entry.kind === 'page' || entry.kind === 'branch') && (
                    <EntryClosed
                        closed={entry.closed ?? 'left-out'}
                        writes={writes}
                        error={error('closed')}
                        onChange={closed => onChange({ closed })}
                    />
                )}
                <MomentField stacked label="Shown from" {...moment('from')} />
                <MomentField stacked label="Until" {...moment('until')} />
                {writes && (
                    <EntryActs
                        entry={entry}
                        entries={entries}
                        picks={picks}
                        toMenu={toMenu}
                        onArrange={onArrange}
                        onOut={onOut}
                    />
                )}
            </div>
            <EntryPickers entry={entry} picking={picking} onChange={onChange} onClose={() => setPicking(null)} />
        </SidePanel>
    )
}
