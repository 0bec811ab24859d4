import { useQuery } from '@tanstack/react-query'
import clsx from 'clsx'
import { useState } from 'react'
import { CodeDialog } from '../../app/CodeDialog'
import { layoutsQuery } from '../../app/fields/useLayouts'
import { useSite } from '../../app/site'
import type { SiteSearch } from '../../app/siteSearch'
import { Button } from '../../ui/Button'
import { count } from '../../ui/count'
import { Muted } from '../../ui/Muted'
import { PageTitle } from '../../ui/PageTitle'
import { ReadFailure } from '../../ui/ReadFailure'
import { DefaultsDialog } from './DefaultsDialog'
import { FieldsGrid } from './FieldsGrid'
import { fieldsOf } from './fieldsOf'
import { GroupList } from './GroupList'

type Props = { search: SiteSearch; set: (change: Partial<SiteSearch>) => void }

/** The layouts of the design, what is wrong with those that cannot be used, and the fields of all pages of one. */
export function LayoutsView({ search, set }: Props) {
    const site = useSite()
    const all = useQuery(layoutsQuery(site.key))
    const layouts = all.data?.layouts ?? []
    const chosen = layouts.find(layout => layout.key === search.layout)
    const [code, setCode] = useState(false)
    const [defaults, setDefaults] = useState(false)
    const shown = chosen === undefined ? null : fieldsOf(chosen, search.group)
    return (
        <main className="flex h-full min-h-0">
            <div className="w-[272px] shrink-0 overflow-y-auto border-r border-line px-2 pb-4">
                <div className="flex h-14 items-center px-2">
                    <PageTitle>Layouts</PageTitle>
                </div>
                <ReadFailure of={all} />
                <ul aria-label="Layouts">
                    {layouts.map(layout => (
                        <li key={layout.key}>
                            <button
                                type="button"
                                aria-current={layout.key === search.layout}
                                onClick={() => set({ layout: layout.key, group: undefined })}
                                className={clsx(
                                    'w-full rounded px-2.5 py-1.5 text-left',
                                    layout.key === search.layout ? 'bg-heron-soft' : 'hover:bg-sunk',
                                )}
                            >
                                <span className="flex items-baseline gap-2">
                                    <span className="min-w-0 flex-1 truncate font-semibold">{layout.name}</span>
                                    <span className="text-[12px] text-ink-3">{count(layout.pages, 'page')}</span>
                                </span>
                                <span className="block text-[12px] leading-4 text-ink-3">{layout.description}</span>
                            </button>
                            {layout === chosen && layout.groups !== null && (
                                <GroupList
                                    groups={layout.groups}
                                    chosen={shown?.group}
                                    onChoose={group => set({ group })}
                                />
                            )}
                        </li>
                    ))}
                </ul>
                {all.isFetched && (
                    <div className="px-2.5 pt-3">
                        <Button variant="quiet" className="-ml-3" onClick={() => setCode(true)}>
                            Head code of all pages…
                        </Button>
                    </div>
                )}
                {(all.data?.faults ?? []).length > 0 && (
                    <section aria-label="Faults" className="mx-2 mt-4 rounded bg-berry-soft p-3 text-[13px]">
                        <h2 className="font-semibold text-berry">These cannot be used</h2>
                        <ul className="mt-1 grid gap-2">
                            {all.data?.faults.map(fault => (
                                <li key={fault.where + fault.reason}>
                                    <span className="font-mono text-[12px] break-all">{fault.where}</span>:{' '}
                                    {fault.reason}
                                </li>
                            ))}
                        </ul>
                    </section>
                )}
            </div>
            <div className="flex min-w-0 flex-1 flex-col">
                {chosen === undefined ? (
                    <div className="p-6">
                        <Muted>
                            Choose a layout to see its pages and to fill in their fields like a table. Layouts are
                            folders of the design, each with a template and a description of its fields.
                        </Muted>
                    </div>
                ) : shown === null ? (
                    <div className="p-6">
                        <Muted>
                            There is no group for items yet. Give a page the layout Collection in its details, say under
                            its fields what fields the items have, and make items inside it.
                        </Muted>
                    </div>
                ) : shown.fields.length === 0 ? (
                    <div className="p-6">
                        <Muted>
                            {chosen.name} has no fields: {count(chosen.pages, 'page')} of it{' '}
                            {chosen.pages === 1 ? 'shows' : 'show'} content alone.
                        </Muted>
                    </div>
                ) : (
                    <FieldsGrid
                        key={`${chosen.key} ${shown.group ?? ''}`}
                        layout={shown}
                        onDefaults={() => setDefaults(true)}
                    />
                )}
            </div>
            {defaults && chosen !== undefined && <DefaultsDialog layout={chosen} onClose={() => setDefaults(false)} />}
            {code && <CodeDialog page={null} onClose={() => setCode(false)} />}
        </main>
    )
}
