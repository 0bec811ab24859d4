import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { Button } from '../../ui/Button'
import { Field, FieldFrame } from '../../ui/Field'
import { Select } from '../../ui/Select'
import { PickPage } from '../PickPage'
import { useSite } from '../site'
import { tagsQuery } from '../TagChooser'
import type { PagesAttrs } from './blocks'
import { DialogForm } from './DialogForm'
import { OrderButtons } from './OrderButtons'
import { useLinkName } from './useLinkName'

const sources = [
    ['branch', 'the pages inside a page'],
    ['tag', 'the pages with a tag'],
    ['chosen', 'pages chosen one by one'],
    ['picks', 'the picks of the front page'],
] as const

const orders = [
    ['tree', 'as in the outline'],
    ['newest', 'newest first'],
    ['name', 'A to Z'],
    ['field', 'by a field'],
] as const

const views = [
    ['cards', 'cards'],
    ['list', 'a list'],
] as const

type Props = { pages: PagesAttrs; isNew: boolean; onClose: () => void; onTake: (pages: PagesAttrs) => void }

/** Which pages a list shows, in what order, how many, and how. */
export function PagesDialog({ pages: given, isNew, onClose, onTake }: Props) {
    const [pages, setPages] = useState(given)
    const [picking, setPicking] = useState(false)
    const [missing, setMissing] = useState(false)
    const set = (change: Partial<PagesAttrs>) => setPages(before => ({ ...before, ...change }))
    const chosen = pages.chosen ?? []
    const ordered = pages.from === 'branch' || pages.from === 'tag'
    const lacks =
        (pages.from === 'branch' && !pages.branch) || (pages.from === 'chosen' && chosen.length === 0)
            ? 'Choose a page first.'
            : pages.from === 'tag' && !pages.tag?.trim()
              ? 'Say which tag.'
              : ordered && pages.order === 'field' && !pages.field?.trim()
                ? 'Say by which field.'
                : pages.most < 1 || pages.most > 60
                  ? 'A list shows 1 to 60 pages.'
                  : null
    const submit = () => {
        setMissing(true)
        if (lacks !== null) return
        const { from, view, most, order, branch, tag, field } = pages
        onTake({
            from,
            view,
            most,
            order: ordered ? order : null,
            field: ordered && order === 'field' ? field?.trim() : null,
            tag: from === 'tag' ? tag?.trim() : null,
            branch: from === 'branch' ? branch : null,
            chosen: from === 'chosen' ? chosen : null,
            picks: from === 'picks' ? 'front' : null,
        } as PagesAttrs)
    }
    const pick = (page: { id: string }) => {
        if (pages.from === 'branch') set({ branch: { page: page.id } })
        else if (!chosen.some(each => each.page === page.id)) set({ chosen: [...chosen, { page: page.id }] })
        setPicking(false)
    }
    return (
        <DialogForm title="List of pages" act={isNew ? 'Insert list' : 'Use list'} onClose={onClose} onSubmit={submit}>
            <FieldFrame stacked label="Which pages">
                {({ id }) => <Select id={id} value={pages.from} choices={sources} onChoose={from => set({ from })} />}
            </FieldFrame>
            {pages.from === 'branch' && (
                <>
                    <div className="flex items-center gap-3">
                        <span className="min-w-0 truncate">
                            Inside{' '}
                            <b className="font-semibold">
                                {pages.branch ? <PageName page={pages.branch.page} /> : '…'}
                            </b>
                        </span>
                        <Button onClick={() => setPicking(true)}>Choose a page…</Button>
                    </div>
                </>
            )}
            {pages.from === 'tag' && <TagField tag={pages.tag ?? ''} onTag={tag => set({ tag })} />}
            {ordered && (
                <>
                    <FieldFrame stacked label="Order">
                        {({ id }) => (
                            <Select
                                id={id}
                                value={pages.order ?? 'tree'}
                                choices={orders}
                                onChoose={order => set({ order })}
                            />
                        )}
                    </FieldFrame>
                    {pages.order === 'field' && (
                        <Field
                            stacked
                            label="Field"
                            value={pages.field ?? ''}
                            hint="Its key; with a hyphen before it for the highest first: -price."
                            onChange={event => set({ field: event.target.value })}
                        />
                    )}
                </>
            )}
            {pages.from === 'chosen' && (
                <Chosen pages={chosen} onChange={next => set({ chosen: next })} onAdd={() => setPicking(true)} />
            )}
            <div className="grid grid-cols-2 gap-3">
                <FieldFrame stacked label="Shown as">
                    {({ id }) => <Select id={id} value={pages.view} choices={views} onChoose={view => set({ view })} />}
                </FieldFrame>
                <Field
                    stacked
                    label="At most"
                    type="number"
                    min={1}
                    max={60}
                    value={pages.most}
                    onChange={event => set({ most: Number(event.target.value) })}
                />
            </div>
            {missing && lacks !== null && (
                <p role="alert" className="text-[12px] text-berry">
                    {lacks}
                </p>
            )}
            <PickPage open={picking} title="Which page?" onClose={() => setPicking(false)} onPick={pick} />
        </DialogForm>
    )
}

function TagField({ tag, onTag }: { tag: string; onTag: (tag: string) => void }) {
    const { data } = useQuery(tagsQuery(useSite().key))
    return (
        <>
            <Field
                stacked
                label="Tag"
                list="tags-of-the-site"
                value={tag}
                onChange={event => onTag(event.target.value)}
            />
            <datalist id="tags-of-the-site">
                {data?.map(each => (
                    <option key={each.tag} value={each.tag} />
                ))}
            </datalist>
        </>
    )
}

type ChosenProps = { pages: { page: string }[]; onChange: (pages: { page: string }[]) => void; onAdd: () => void }

function Chosen({ pages, onChange, onAdd }: ChosenProps) {
    return (
        <div className="grid gap-1">
            <ol aria-label="Chosen pages">
                {pages.map(({ page }, i) => (
                    <li key={page} className="flex items-center gap-1">
                        <span className="min-w-0 flex-1 truncate">
                            <PageName page={page} />
                        </span>
                        <OrderButtons list={pages} at={i} called="page" onChange={onChange} />
                    </li>
                ))}
            </ol>
            <div>
                <Button onClick={onAdd}>Add a page…</Button>
            </div>
        </div>
    )
}

function PageName({ page }: { page: string }) {
    return useLinkName({ page })
}
