import { Link } from '@tanstack/react-router'
import clsx from 'clsx'
import type { KeyboardEvent } from 'react'
import { FieldControl } from '../../app/fields/FieldControl'
import type { LayoutField, Refusals } from '../../app/fields/values'
import { useSite } from '../../app/site'
import { readable } from '../../ui/Address'
import { isTyped as isTypedInto, summary, type PageRow } from './cells'

type Props = {
    fields: LayoutField[]
    rows: PageRow[]
    refused: Record<string, Refusals>
    writes: boolean
    valueOf: (row: PageRow, key: string) => unknown
    isTyped: (row: PageRow, key: string) => boolean
    onType: (row: PageRow, key: string, value: unknown) => void
}

/** A row a page, a column a field. Enter and the up and down keys go from row to row. */
export function GridTable({ fields, rows, refused, writes, valueOf, isTyped, onType }: Props) {
    const site = useSite()
    const pressed = (event: KeyboardEvent<HTMLTableElement>) => {
        const by = event.key === 'Enter' || event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0
        const cell = (event.target as HTMLElement).closest('td')
        if (by === 0 || cell === null || (event.target as HTMLElement).tagName !== 'INPUT') return
        event.preventDefault()
        const row = cell.parentElement as HTMLTableRowElement
        const next = by === 1 ? row.nextElementSibling : row.previousElementSibling
        const there = (next as HTMLTableRowElement | null)?.cells[cell.cellIndex]
        there?.querySelector<HTMLElement>('input, select')?.focus()
    }
    const head =
        'sticky top-0 z-10 bg-paper px-2 py-1.5 text-left text-[12px] font-semibold text-ink-3 whitespace-nowrap'
    return (
        <div className="min-h-0 flex-1 overflow-auto">
            <table aria-label="Fields" className="border-collapse" onKeyDown={pressed}>
                <thead>
                    <tr>
                        <th scope="col" className={`${head} left-0 z-20 pl-4`}>
                            Page
                        </th>
                        {fields.map(field => (
                            <th key={field.key} scope="col" className={head}>
                                {field.title}
                                {field.unit + field.currency !== '' && ` (${field.unit}${field.currency})`}
                            </th>
                        ))}
                    </tr>
                </thead>
                <tbody>
                    {rows.map(row => (
                        <tr key={row.id} className="border-t border-line">
                            <th
                                scope="row"
                                className="sticky left-0 max-w-[240px] bg-paper py-1 pr-3 pl-4 text-left font-normal"
                            >
                                <Link
                                    to="/s/$site/outline"
                                    params={{ site: site.key }}
                                    search={{ page: row.id, row: row.id, tab: 'fields' }}
                                    className="block truncate font-semibold hover:underline"
                                >
                                    {row.name}
                                </Link>
                                <span className="block truncate font-mono text-[12px] text-ink-3">
                                    {readable(row.address)}
                                </span>
                            </th>
                            {fields.map(field => {
                                const error = Object.entries(refused[row.id] ?? {}).find(
                                    ([at]) => at === field.key || at.startsWith(`${field.key}.`),
                                )?.[1]
                                const value = valueOf(row, field.key)
                                return (
                                    <td
                                        key={field.key}
                                        className={clsx(
                                            'min-w-[120px] px-1 py-1 align-top',
                                            isTyped(row, field.key) && 'bg-amber-soft',
                                        )}
                                    >
                                        {isTypedInto(field) && writes ? (
                                            <FieldControl
                                                field={field}
                                                value={value}
                                                error={error}
                                                label={`${field.title} of ${row.name}`}
                                                onChange={now => onType(row, field.key, now === '' ? null : now)}
                                            />
                                        ) : (
                                            <span className="block max-w-[220px] truncate px-1.5 py-1 text-ink-2">
                                                {summary(field, value, row.named as Record<string, string>)}
                                            </span>
                                        )}
                                        {error !== undefined && (
                                            <span
                                                role="alert"
                                                className="block max-w-[200px] px-1.5 text-[12px] text-berry"
                                            >
                                                {error}
                                            </span>
                                        )}
                                    </td>
                                )
                            })}
                        </tr>
                    ))}
                </tbody>
            </table>
        </div>
    )
}
