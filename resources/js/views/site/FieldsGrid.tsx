import { useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { answered, api, type ApiProblem } from '../../api/client'
import { keys } from '../../api/queries'
import { AskBeforeLeaving } from '../../app/AskBeforeLeaving'
import { useChanges, type Change } from '../../app/changes'
import { refusalsOf, type Refusals } from '../../app/fields/values'
import { useSite } from '../../app/site'
import { Button, buttonClasses } from '../../ui/Button'
import { count } from '../../ui/count'
import { inputClasses } from '../../ui/Field'
import { ReadFailure } from '../../ui/ReadFailure'
import { useKept } from '../../ui/useKept'
import { BringInFields } from './BringInFields'
import { conflictsIn, valueOf, withCell, type PageRow, type Typed } from './cells'
import { Conflicts } from './Conflicts'
import type { FieldsOf } from './fieldsOf'
import { GridTable } from './GridTable'

const nothing: Typed = {}

/** The fields of all pages of a layout, edited like a spreadsheet and saved as one change. */
export function FieldsGrid({ layout, onDefaults }: { layout: FieldsOf; onDefaults: () => void }) {
    const site = useSite()
    const queries = useQueryClient()
    const { propose } = useChanges()
    const [typed, keep] = useKept(`heronstem.grid.${site.key}.${layout.key}.${layout.group ?? ''}`, nothing)
    const [filter, setFilter] = useState('')
    const [bringing, bring] = useState(false)
    const [refused, setRefused] = useState<Record<string, Refusals>>({})
    const query = {
        queryKey: [...keys.site(site.key), 'layout-pages', layout.key, layout.group],
        queryFn: () =>
            answered(
                api.GET('/sites/{site}/layouts/{layout}/pages', {
                    params: { path: { site: site.key, layout: layout.key }, query: { group: layout.group } },
                }),
            ),
    }
    const pages = useQuery(query)
    const rows = pages.data ?? []
    const shown = rows.filter(row => `${row.name} ${row.address}`.toLowerCase().includes(filter.trim().toLowerCase()))
    const changed = Object.keys(typed).length
    const conflicts = conflictsIn(typed, rows)
    const type = (row: PageRow, key: string, value: unknown) => keep(withCell(typed, row, key, value))
    const save = async () => {
        // What others did meanwhile is seen before anything of theirs is lost.
        const now = await queries.fetchQuery({ ...query, staleTime: 0 })
        if (conflictsIn(typed, now).length > 0) return
        const order = Object.keys(typed)
        const changes: Change[] = order.map(page => ({
            kind: 'describe',
            page,
            fields: Object.fromEntries(
                Object.entries(typed[page] ?? {}).map(([key, cell]) => [key, cell.value ?? null]),
            ),
        }))
        setRefused({})
        await propose({
            title: `Filling in fields of ${count(order.length, 'page')}`,
            act: 'Save fields',
            batch: { changes },
            done: () => keep(null),
            failed: (problem: ApiProblem) => {
                const byPage: Record<string, Refusals> = {}
                for (const error of problem.problem.errors ?? []) {
                    const page = order[Number(/^changes\.(\d+)\./.exec(error.field)?.[1] ?? -1)]
                    if (page !== undefined) byPage[page] = { ...byPage[page], ...refusalsOf([error]) }
                }
                setRefused(byPage)
            },
        })
    }
    const download = `/api/v1/sites/${site.key}/layouts/${layout.key}/export${layout.group === undefined ? '' : `?group=${layout.group}`}`
    return (
        <>
            <div className="flex h-14 shrink-0 items-center gap-2 border-b border-line px-4">
                <input
                    type="search"
                    aria-label="Filter pages"
                    placeholder="Filter by name or address"
                    value={filter}
                    onChange={event => setFilter(event.target.value)}
                    className={`${inputClasses} w-[220px]!`}
                />
                <span className="ml-auto" />
                {site.may('fields') && (
                    <Button variant="quiet" onClick={onDefaults}>
                        Defaults…
                    </Button>
                )}
                <a href={download} download className={buttonClasses('quiet')}>
                    Save as CSV
                </a>
                {site.may('fields') && (
                    <Button variant="quiet" onClick={() => bring(true)}>
                        Import a table…
                    </Button>
                )}
                {changed > 0 && <Button onClick={() => keep(null)}>Discard changes</Button>}
                {site.may('fields') && (
                    <Button
                        variant={changed > 0 ? 'main' : 'plain'}
                        disabled={changed === 0 || conflicts.length > 0}
                        onClick={() => void save()}
                    >
                        Save{changed > 0 && ` ${count(changed, 'page')}`}
                    </Button>
                )}
            </div>
            <ReadFailure of={pages} />
            {conflicts.length > 0 && (
                <Conflicts
                    conflicts={conflicts}
                    fields={layout.fields}
                    onMine={({ row, key, mine, theirs }) =>
                        keep({ ...typed, [row.id]: { ...typed[row.id], [key]: { value: mine, before: theirs } } })
                    }
                    onTheirs={({ row, key, theirs }) => keep(withCell(typed, row, key, theirs))}
                />
            )}
            {pages.data !== undefined && rows.length === 0 ? (
                <p className="p-6 text-ink-2">
                    {layout.group === undefined
                        ? 'No page has this layout yet. It is chosen in the details of a page, under Layout.'
                        : `Nothing is in ${layout.name} yet. Make a page inside it and choose Item under Layout.`}
                </p>
            ) : (
                <GridTable
                    fields={layout.fields}
                    rows={shown}
                    refused={refused}
                    writes={site.may('fields')}
                    valueOf={(row, key) => valueOf(typed, row, key)}
                    isTyped={(row, key) => typed[row.id]?.[key] !== undefined}
                    onType={type}
                />
            )}
            {bringing && <BringInFields layout={layout} onClose={() => bring(false)} />}
            <AskBeforeLeaving
                unsaved={changed > 0}
                part="fields"
                title="Leave with unsaved fields?"
                description="What you typed is kept in this browser tab and shown when you come back."
                leave="Leave, keep what I typed"
            />
        </>
    )
}
