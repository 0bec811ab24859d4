import clsx from 'clsx'

/** The columns of head and rows alike. */
export const columnsOf = (compact: boolean) =>
    compact
        ? 'grid-cols-[minmax(150px,1fr)_minmax(150px,1.1fr)_110px] max-lg:grid-cols-[minmax(120px,1fr)_100px]'
        : 'grid-cols-[minmax(250px,1.15fr)_minmax(220px,1.2fr)_124px_126px_52px_58px_74px] max-md:grid-cols-[minmax(160px,1fr)_96px]'

/** What stands in which column. */
export function GridHead({ compact }: { compact: boolean }) {
    const small = compact ? 'max-lg:hidden' : 'max-md:hidden'
    const columns: [string, string][] = [
        ['Name', ''],
        ['Address', small],
        ['State', ''],
        ...(compact
            ? []
            : ([
                  ['Reach', small],
                  ['Search', small],
                  ['Picks', small],
                  ['Changed', clsx('text-right', small)],
              ] satisfies [string, string][])),
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
                {columns.map(([name, className]) => (
                    <span key={name} role="columnheader" className={className}>
                        {name}
                    </span>
                ))}
            </div>
        </div>
    )
}
