import { useState, type ReactNode } from 'react'
import { FileDialog } from '../../app/FileChooser'
import { PickPage } from '../../app/PickPage'
import { useSite } from '../../app/site'
import { Button } from '../../ui/Button'
import { Field, FieldFrame, inputClasses } from '../../ui/Field'
import { SidePanel } from '../../ui/SidePanel'
import { fieldMoment } from '../../ui/time'
import { dissolve, nameOf, step, type Changed, type Entry, type Step } from './arrangement'
import { kindWord } from './labels'

type Props = {
    entry: Entry
    entries: Entry[]
    picks: boolean
    writes: boolean
    onChange: (fields: Changed) => void
    onArrange: (entries: Entry[]) => void
    toMenu: ReactNode
    onOut: () => void
    onClose: () => void
    error: (field: string) => string | undefined
}

/** Everything about one entry: what it says, where it leads, for whom and when. */
export function EntryFields({
    entry,
    entries,
    picks,
    writes,
    onChange,
    onArrange,
    toMenu,
    onOut,
    onClose,
    error,
}: Props) {
    const site = useSite()
    const [picking, setPicking] = useState<'page' | 'exception' | 'file' | 'picture' | null>(null)
    const moves: [Step, string][] = [
        ['up', 'Up'],
        ['down', 'Down'],
        ['in', 'Under the one above'],
        ['out', 'Out'],
    ]
    const text = (field: 'label' | 'title' | 'text' | 'url' | 'address') => ({
        value: entry[field] ?? '',
        onChange: (event: { target: { value: string } }) => onChange({ [field]: event.target.value }),
        error: error(field),
        disabled: !writes,
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
                {entry.kind !== 'separator' && entry.kind !== 'branch' && (
                    <Field
                        stacked
                        label="Label"
                        placeholder={entry.pageName ?? ''}
                        hint={entry.kind === 'page' ? 'Without one it follows the name of the page.' : undefined}
                        {...text('label')}
                    />
                )}
                {(entry.kind === 'page' || entry.kind === 'branch') && (
                    <FieldFrame
                        stacked
                        label={entry.kind === 'page' ? 'Leads to' : 'Filled with what is inside'}
                        error={error('page')}
                    >
                        {({ id }) => (
                            <div id={id} className="flex items-center justify-between gap-2">
                                <span className="truncate">
                                    {entry.pageName ??
                                        (entry.kind === 'branch' && (entry.page === null || entry.page === undefined)
                                            ? 'the top of the tree'
                                            : 'a page that is gone')}
                                </span>
                                {writes && (
                                    <Button variant="quiet" onClick={() => setPicking('page')}>
                                        Choose…
                                    </Button>
                                )}
                            </div>
                        )}
                    </FieldFrame>
                )}
                {entry.kind === 'url' && <Field stacked mono label="URL" placeholder="https://" {...text('url')} />}
                {entry.kind === 'address' && (
                    <Field stacked mono label="Address" placeholder="/" {...text('address')} />
                )}
                {entry.kind === 'file' && (
                    <FieldFrame stacked label="Leads to" error={error('file')}>
                        {({ id }) => (
                            <div id={id} className="flex items-center justify-between gap-2">
                                <span className="truncate">{entry.fileName ?? 'a file that is gone'}</span>
                                {writes && (
                                    <Button variant="quiet" onClick={() => setPicking('file')}>
                                        Choose…
                                    </Button>
                                )}
                            </div>
                        )}
                    </FieldFrame>
                )}
                {entry.kind === 'branch' && (
                    <>
                        <div className="flex gap-4">
                            <label className="grid gap-1 text-ink-2">
                                Levels
                                <select
                                    className={inputClasses}
                                    disabled={!writes}
                                    value={entry.depth ?? 1}
                                    onChange={event => onChange({ depth: Number(event.target.value) })}
                                >
                                    {[1, 2, 3, 4, 5].map(n => (
                                        <option key={n} value={n}>
                                            {n}
                                        </option>
                                    ))}
                                </select>
                            </label>
                            <label className="grid grow gap-1 text-ink-2">
                                Order
                                <select
                                    className={inputClasses}
                                    disabled={!writes}
                                    value={entry.order ?? 'tree'}
                                    onChange={event =>
                                        onChange({ order: event.target.value === 'a-z' ? 'a-z' : 'tree' })
                                    }
                                >
                                    <option value="tree">of the tree</option>
                                    <option value="a-z">A–Z</option>
                                </select>
                            </label>
                        </div>
                        <div>
                            <p className="text-ink-2">Left out</p>
                            {(entry.out ?? []).length === 0 && (
                                <p className="text-[12px] text-ink-3">Every listed page that is live is shown.</p>
                            )}
                            <ul>
                                {(entry.out ?? []).map(page => (
                                    <li key={page} className="flex items-center justify-between">
                                        <span className="truncate">
                                            {entry.exceptions?.find(each => each.id === page)?.name ?? 'a page'}
                                        </span>
                                        {writes && (
                                            <Button
                                                variant="quiet"
                                                onClick={() =>
                                                    onChange({ out: (entry.out ?? []).filter(each => each !== page) })
                                                }
                                            >
                                                Show again
                                            </Button>
                                        )}
                                    </li>
                                ))}
                            </ul>
                            {writes && (
                                <Button variant="quiet" className="-ml-3" onClick={() => setPicking('exception')}>
                                    Leave a page out…
                                </Button>
                            )}
                        </div>
                    </>
                )}
                {!picks && entry.kind !== 'separator' && entry.kind !== 'branch' && entry.kind !== 'heading' && (
                    <>
                        <Field stacked label="Link title" hint="Said to those who point at it." {...text('title')} />
                        <label className="flex items-center gap-2">
                            <input
                                type="checkbox"
                                className="accent-heron"
                                disabled={!writes}
                                checked={entry.newWindow === true}
                                onChange={event => onChange({ newWindow: event.target.checked })}
                            />
                            Opens in a new window
                        </label>
                    </>
                )}
                {picks && (
                    <Field
                        stacked
                        label="Text on the card"
                        hint="Without one it follows the summary of the page."
                        {...text('text')}
                    />
                )}
                {picks && (
                    <FieldFrame
                        stacked
                        label="Picture on the card"
                        hint={
                            entry.picture === undefined
                                ? 'Without one it follows the first picture of the page.'
                                : undefined
                        }
                        error={error('picture')}
                    >
                        {({ id }) => (
                            <div id={id} className="flex items-center gap-2">
                                {entry.picture !== undefined && (
                                    <img
                                        src={`/_files/${entry.picture}/picture`}
                                        alt=""
                                        className="h-12 w-18 rounded object-cover"
                                    />
                                )}
                                {writes && (
                                    <Button
                                        variant="quiet"
                                        className={entry.picture === undefined ? '-ml-3' : ''}
                                        onClick={() => setPicking('picture')}
                                    >
                                        Choose…
                                    </Button>
                                )}
                                {writes && entry.picture !== undefined && (
                                    <Button variant="quiet" onClick={() => onChange({ picture: undefined })}>
                                        Follow the page
                                    </Button>
                                )}
                            </div>
                        )}
                    </FieldFrame>
                )}
                <Who
                    audience={entry.audience ?? 'everyone'}
                    writes={writes}
                    error={error('audience')}
                    onChange={audience => onChange({ audience })}
                />
                <div className="grid gap-3">
                    <Field
                        stacked
                        type="datetime-local"
                        label="Shown from"
                        value={fieldMoment(entry.from, site.zone)}
                        disabled={!writes}
                        error={error('from')}
                        onChange={event => onChange({ from: event.target.value })}
                    />
                    <Field
                        stacked
                        type="datetime-local"
                        label="Until"
                        value={fieldMoment(entry.until, site.zone)}
                        disabled={!writes}
                        error={error('until')}
                        onChange={event => onChange({ until: event.target.value })}
                    />
                </div>
                {writes && (
                    <>
                        <div className="flex flex-wrap gap-1.5 border-t border-line pt-3">
                            {moves
                                .filter(([to]) => !picks || to === 'up' || to === 'down')
                                .map(([to, word]) => (
                                    <Button
                                        key={to}
                                        className="h-7! px-2! text-[12px]"
                                        disabled={step(entries, entry.id, to) === entries}
                                        onClick={() => onArrange(step(entries, entry.id, to))}
                                    >
                                        {word}
                                    </Button>
                                ))}
                        </div>
                        <div className="flex flex-wrap gap-2">
                            {toMenu}
                            <Button variant="breaks" onClick={onOut}>
                                Take out
                            </Button>
                            {(entry.entries ?? []).length > 0 && (
                                <Button onClick={() => onArrange(dissolve(entries, entry.id))}>
                                    Take out, keep what is inside
                                </Button>
                            )}
                        </div>
                    </>
                )}
            </div>
            <PickPage
                open={picking === 'page' || picking === 'exception'}
                title={picking === 'page' ? 'Where the entry leads' : 'Leave a page out'}
                top={entry.kind === 'branch' && picking === 'page'}
                onClose={() => setPicking(null)}
                onPick={page => {
                    if (picking === 'page')
                        onChange({
                            page: page.id === 'top' ? null : page.id,
                            pageName: page.id === 'top' ? null : page.name,
                        })
                    else
                        onChange({
                            out: [...new Set([...(entry.out ?? []), page.id])],
                            exceptions: [...(entry.exceptions ?? []), page],
                        })
                    setPicking(null)
                }}
            />
            {picking === 'file' && (
                <FileDialog
                    title="Where the entry leads"
                    onClose={() => setPicking(null)}
                    onFile={file => {
                        onChange({ file: file.id, fileName: file.name })
                        setPicking(null)
                    }}
                />
            )}
            {picking === 'picture' && (
                <FileDialog
                    pictures
                    title="Picture on the card"
                    onClose={() => setPicking(null)}
                    onFile={file => {
                        onChange({ picture: file.id })
                        setPicking(null)
                    }}
                />
            )}
        </SidePanel>
    )
}

function Who({
    audience,
    writes,
    error,
    onChange,
}: {
    audience: string
    writes: boolean
    error: string | undefined
    onChange: (audience: string) => void
}) {
    const isRoles = audience.startsWith('roles:')
    return (
        <FieldFrame stacked label="For" error={error}>
            {({ id }) => (
                <div className="grid gap-1.5">
                    <select
                        id={id}
                        className={inputClasses}
                        disabled={!writes}
                        value={isRoles ? 'roles' : audience}
                        onChange={event => onChange(event.target.value === 'roles' ? 'roles:' : event.target.value)}
                    >
                        <option value="everyone">everyone</option>
                        <option value="visitors">visitors who are not signed in</option>
                        <option value="signed-in">signed-in people</option>
                        <option value="roles">people with a role…</option>
                    </select>
                    {isRoles && (
                        <input
                            aria-label="Roles"
                            placeholder="resident, crew"
                            className={inputClasses}
                            value={audience.slice(6)}
                            onChange={event => onChange(`roles:${event.target.value}`)}
                        />
                    )}
                </div>
            )}
        </FieldFrame>
    )
}
