import { useEffect, useState } from 'react'
import type { Schemas } from '../../api/client'
import { useChanges } from '../../app/changes'
import { useLayouts } from '../../app/fields/useLayouts'
import { heldBy, wayOutLabel } from '../../app/conflicts'
import { mayOn } from '../../app/site'
import { useAddressAnswer } from '../../app/useAddressAnswer'
import { readable } from '../../ui/Address'
import { Button } from '../../ui/Button'
import { count } from '../../ui/count'
import { Field, FieldFrame } from '../../ui/Field'
import { date } from '../../ui/time'
import type { Loaded } from './loaded'
import { Settings } from './Settings'
import { useSaveKey } from './useSaveKey'
import { useSavePage } from './useSavePage'
import { SaveBar } from './SaveBar'
import { Select } from '../../ui/Select'

type Props = { loaded: Loaded; onUnsaved: (unsaved: boolean) => void; onGoTo: (page: string) => void }

/** Name, heading, slug, and where the page sits. */
export function Details({ loaded, onUnsaved, onGoTo }: Props) {
    const { sheet } = loaded
    const writes = mayOn(sheet, 'write')
    const names = mayOn(sheet, 'structure') && (mayOn(sheet, 'publish') || !sheet.everLive)
    const lays = mayOn(sheet, 'fields') && (mayOn(sheet, 'publish') || !sheet.everLive)
    const { propose } = useChanges()
    const save = useSavePage(loaded)
    const { layouts, of } = useLayouts()
    const [typed, setTyped] = useState<{
        name?: string
        heading?: string
        slug?: string
        summary?: string
        layout?: string
    }>({})
    const [refused, setRefused] = useState<{ field: string; reason: string } | null>(null)
    const value = {
        name: sheet.name,
        heading: sheet.heading ?? '',
        slug: sheet.slug,
        summary: sheet.summary,
        layout: sheet.layout,
        ...typed,
    }
    const changes: Schemas['Change'][] = [
        ...(value.name !== sheet.name ? [{ kind: 'rename' as const, page: sheet.id, name: value.name }] : []),
        ...(value.slug !== sheet.slug ? [{ kind: 'set-slug' as const, page: sheet.id, slug: value.slug }] : []),
    ]
    const fields = {
        ...(value.heading !== (sheet.heading ?? '') ? { heading: value.heading === '' ? null : value.heading } : {}),
        ...(value.summary !== sheet.summary ? { summary: value.summary } : {}),
        ...(value.layout !== sheet.layout ? { layout: value.layout } : {}),
    }
    const dirty = changes.length + Object.keys(fields).length > 0
    useEffect(() => onUnsaved(dirty), [dirty, onUnsaved])

    const type = (field: keyof typeof value) => (event: { target: { value: string } }) => {
        setRefused(null)
        setTyped(before => ({ ...before, [field]: event.target.value }))
    }
    const saveAll = async () => {
        if (Object.keys(fields).length > 0) {
            await save.mutateAsync(fields)
            // What was saved is forgotten; a key that stays with nothing in it would hide what the page says.
            setTyped(before => omit(before, fields))
        }
        if (changes.length > 0) {
            await propose({
                title: value.slug !== sheet.slug ? `Changing the slug of ${sheet.name}` : `Renaming ${sheet.name}`,
                act: value.slug !== sheet.slug ? 'Change slug' : 'Rename',
                batch: { changes },
                done: () => setTyped({}),
                failed: problem =>
                    setRefused({
                        field: problem.problem.errors?.[0]?.field.split('.').pop() ?? 'name',
                        reason: problem.message,
                    }),
            })
        }
    }
    const start = () => void saveAll().catch(() => undefined)
    useSaveKey(dirty ? start : null)
    const errorOf = (field: string) => (refused?.field === field ? refused.reason : undefined)
    return (
        <div className="grid gap-4">
            <form
                className="grid gap-3"
                onSubmit={event => {
                    event.preventDefault()
                    start()
                }}
            >
                <fieldset disabled={!writes && !names} className="grid gap-3">
                    <Field
                        label="Name"
                        disabled={!names}
                        value={value.name}
                        onChange={type('name')}
                        error={errorOf('name')}
                        hint="Short: menus and breadcrumbs show it."
                    />
                    <Field
                        label="Heading"
                        disabled={!writes}
                        value={value.heading}
                        onChange={type('heading')}
                        placeholder={value.name}
                        hint={value.heading === '' ? 'Follows the name.' : undefined}
                    />
                    <fieldset disabled={!names} className="contents">
                        <SlugField
                            sheet={sheet}
                            slug={value.slug}
                            onSlug={type('slug')}
                            error={errorOf('slug')}
                            onWay={slug => setTyped(before => ({ ...before, slug }))}
                        />
                    </fieldset>
                    <Field
                        label="Summary"
                        disabled={!writes}
                        value={value.summary}
                        onChange={type('summary')}
                        hint="A line under the heading, and on cards."
                    />
                    <FieldFrame label="Layout" hint={layoutHint(sheet, of(sheet.layout), of(value.layout))}>
                        {({ id }) => (
                            <Select
                                id={id}
                                disabled={!lays}
                                value={value.layout}
                                choices={(layouts.length === 0
                                    ? [{ key: sheet.layout, name: sheet.layout }]
                                    : layouts
                                ).map(({ key, name }) => [key, name] as const)}
                                onChoose={layout => setTyped(before => ({ ...before, layout }))}
                            />
                        )}
                    </FieldFrame>
                </fieldset>
                <SaveBar dirty={dirty} save={save} writes={writes || names} onPutBack={() => setTyped({})} />
            </form>
            <Settings sheet={sheet} />
            <Where sheet={sheet} onGoTo={onGoTo} />
        </div>
    )
}

/** What the chosen layout is for; where it is another, which fields have no place in it, and which come back. */
function layoutHint(
    sheet: Schemas['PageSheet'],
    now: Schemas['Layout'] | undefined,
    chosen: Schemas['Layout'] | undefined,
) {
    // Until it is known the line keeps its room.
    if (chosen === undefined || now === undefined || chosen.key === now.key) return chosen?.description ?? '\u00a0'
    const known = new Set(chosen.fields.map(field => field.key))
    const left = now.fields.filter(({ key }) => key in sheet.fields && !known.has(key)).map(({ title }) => title)
    const back = (sheet.kept as Record<string, number>)[chosen.key] ?? 0
    return [
        chosen.description,
        left.length > 0 && `No place in it for ${left.join(', ')}: kept, and back with the layout ${now.name}.`,
        back > 0 && `${count(back, 'field')} kept from before ${back === 1 ? 'comes' : 'come'} back.`,
    ]
        .filter(Boolean)
        .join(' ')
}

function omit<Typed extends object>(typed: Typed, saved: object): Typed {
    return Object.fromEntries(Object.entries(typed).filter(([field]) => !(field in saved))) as Typed
}

type SlugProps = {
    sheet: Schemas['PageSheet']
    slug: string
    onSlug: (event: { target: { value: string } }) => void
    error: string | undefined
    onWay: (slug: string) => void
}

function SlugField({ sheet, slug, onSlug, error, onWay }: SlugProps) {
    const answer = useAddressAnswer(slug === sheet.slug ? null : { kind: 'set-slug', page: sheet.id, slug })
    const conflict = answer?.conflict ?? null
    const free = conflict?.waysOut.find(way => way.kind === 'free-slug')
    const bad = error ?? answer?.error ?? (conflict === null ? undefined : heldBy(conflict))
    const unchanged = sheet.everLive
        ? `${sheet.liveSince === null ? 'Visitors know this address.' : `Live since ${date(sheet.liveSince)}.`} Changing it moves ${count(sheet.branch + 1, 'address', 'addresses')}.`
        : 'Not live yet, so changing it breaks nothing.'
    return (
        <div>
            <Field
                label="Slug"
                mono
                value={slug}
                onChange={onSlug}
                error={bad}
                hint={
                    <span className="block min-h-8">
                        {answer === undefined ? (
                            unchanged
                        ) : (
                            <>
                                It will be at <span className="font-mono">{readable(answer.address ?? '')}</span>
                            </>
                        )}
                    </span>
                }
            />
            {free !== undefined && (
                <div className="mt-1 sm:ml-[116px]">
                    <Button variant="quiet" onClick={() => onWay(free.slug ?? '')}>
                        {wayOutLabel(free)}
                    </Button>
                </div>
            )}
        </div>
    )
}

function Where({ sheet, onGoTo }: { sheet: Schemas['PageSheet']; onGoTo: (page: string) => void }) {
    const parent = sheet.within.at(-1)
    const link = 'font-semibold text-heron underline-offset-2 hover:underline'
    return (
        <dl className="grid grid-cols-[104px_1fr] gap-x-3 gap-y-2.5 border-t border-line pt-4 [&>dt]:text-ink-2">
            <dt>Sits in</dt>
            <dd>
                {parent === undefined ? (
                    'the top of the tree'
                ) : (
                    <button type="button" className={link} onClick={() => onGoTo(parent.id)}>
                        {parent.name}
                    </button>
                )}
                {sheet.after !== null && (
                    <>
                        , after{' '}
                        <button type="button" className={link} onClick={() => onGoTo(sheet.after?.id ?? '')}>
                            {sheet.after.name}
                        </button>
                    </>
                )}
            </dd>
            <dt>Pages inside</dt>
            <dd>
                {sheet.branch === 0
                    ? 'none'
                    : `${count(sheet.children, 'page')}${sheet.branch > sheet.children ? `, ${sheet.branch} with all below` : ''}`}
            </dd>
            <dt>Changed</dt>
            <dd>
                {date(sheet.changed)}
                {sheet.changedBy !== null && `, by ${sheet.changedBy}`}
            </dd>
        </dl>
    )
}
