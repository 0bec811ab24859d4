import clsx from 'clsx'
import { ArrowDown, ArrowUp } from 'lucide-react'
import { Hint } from '../../ui/Hint'
import { ColumnEdge } from './ColumnEdge'
import type { Column, Columns } from './columns'

/** The columns of head and rows alike; on a telephone name and state. */
export const columnsOf = (compact: boolean) =>
    clsx(
        'grid-cols-(--columns)',
        compact ? 'max-lg:grid-cols-[minmax(120px,1fr)_100px]' : 'max-md:grid-cols-[minmax(160px,1fr)_96px]',
    )

type Props = {
    compact: boolean
    columns: Columns
    /** By which column what a filter found is sorted, with a hyphen for the highest first; null where there is no filter. */
    sort: { by: string | undefined; onSort: (by: string | undefined) => void } | null
}

/** What stands in which column: chosen, made wider, and, of what a filter found, sorted by. */
export function GridHead({ compact, columns, sort }: Props) {
    const small = compact ? 'max-lg:hidden' : 'max-md:hidden'
    const heads: { key: Column | 'name'; name: string; sorts: boolean; says?: string }[] = [
        { key: 'name', name: 'Name', sorts: true },
        ...columns.seen,
    ]
    return (
        <div role="rowgroup">
            <div
                role="row"
                aria-rowindex={1}
                className={clsx(
                    'grid h-[30px] items-center gap-x-3.5 border-b border-line px-4 text-[12px] text-ink-3',
                    columnsOf(compact),
                )}
            >
                {heads.map(({ key, name, sorts, says }) => (
                    <span
                        key={key}
                        role="columnheader"
                        aria-sort={sortOf(key, sort?.by)}
                        className={clsx(
                            'relative flex min-w-0',
                            key !== 'name' && key !== 'state' && small,
                            key === 'changed' && 'justify-end',
                        )}
                    >
                        <HeadName name={name} says={says} sort={sort !== null && sorts ? { ...sort, key } : null} />
                        {!compact && key !== 'name' && (
                            <ColumnEdge
                                name={name}
                                width={columns.width(key)}
                                onWidth={px => columns.resize(key, px)}
                            />
                        )}
                    </span>
                ))}
            </div>
        </div>
    )
}

function HeadName({
    name,
    says,
    sort,
}: {
    name: string
    says: string | undefined
    sort: { key: string; by: string | undefined; onSort: (by: string | undefined) => void } | null
}) {
    const is = sort === null ? undefined : sortOf(sort.key, sort.by)
    const Arrow = is === 'descending' ? ArrowDown : ArrowUp
    const word =
        sort === null ? (
            <span tabIndex={says === undefined ? undefined : 0} className="truncate rounded">
                {name}
            </span>
        ) : (
            <button
                type="button"
                className="flex min-w-0 items-center gap-0.5 hover:text-ink"
                onClick={() =>
                    sort.onSort(is === undefined ? sort.key : is === 'ascending' ? `-${sort.key}` : undefined)
                }
            >
                <span className="truncate">{name}</span>
                {is !== undefined && <Arrow size={12} className="shrink-0 text-heron" aria-hidden />}
            </button>
        )
    return says === undefined ? word : <Hint description={says}>{word}</Hint>
}

const sortOf = (key: string, by: string | undefined) =>
    by === key ? ('ascending' as const) : by === `-${key}` ? ('descending' as const) : undefined
