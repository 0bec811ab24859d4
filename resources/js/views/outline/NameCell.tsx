import clsx from 'clsx'
import { Check, ChevronDown, ChevronRight } from 'lucide-react'
import { count } from '../../ui/count'
import type { RowHandlers } from './GridRow'
import { KindSign, NameField } from './lazyFields'
import { Marked } from './Marked'
import { RowMenu } from './RowMenu'
import type { Row } from './rows'
import { Stems } from './Stems'

type Props = {
    row: Row & { kind: 'page' }
    active: boolean
    isEditing: boolean
    text: string | null
    filtered: boolean
    marked: boolean
    on: RowHandlers
}

/** A page's name at its place in the tree, with what it can be marked, opened and changed by. */
export function NameCell({ row, active, isEditing, text, filtered, marked, on }: Props) {
    const { page } = row
    const isParent = page.children > 0
    const Fold = row.open ? ChevronDown : ChevronRight
    const faint = filtered && page.match !== true
    return (
        <div role="gridcell" className="flex h-8 min-w-0 items-center" onDoubleClick={() => on.edit(row, 'name')}>
            <button
                type="button"
                tabIndex={-1}
                aria-label={`${marked ? 'Unmark' : 'Mark'} ${page.name}`}
                onClick={event => {
                    event.stopPropagation()
                    on.mark(row, event.shiftKey ? 'range' : 'turn')
                }}
                onDoubleClick={event => event.stopPropagation()}
                className={clsx(
                    'absolute left-[3px] grid size-4 place-items-center rounded-[4px] border',
                    marked
                        ? 'border-heron bg-heron text-on-heron'
                        : 'border-edge bg-sheet text-transparent opacity-0 group-hover/row:opacity-100',
                )}
            >
                <Check size={11} strokeWidth={3.4} aria-hidden />
            </button>
            <Stems row={row} />
            <button
                type="button"
                tabIndex={-1}
                aria-hidden={!isParent}
                aria-label={`${row.open ? 'Close' : 'Open'} ${page.name}`}
                onClick={event => {
                    event.stopPropagation()
                    on.open(row, !row.open)
                }}
                onDoubleClick={event => event.stopPropagation()}
                className={clsx(
                    'grid h-8 w-[18px] flex-none place-items-center text-ink-3 hover:text-ink',
                    !isParent && 'invisible',
                )}
            >
                <Fold size={13} strokeWidth={2.4} aria-hidden />
            </button>
            {isEditing ? (
                <NameField page={page} onDone={on.edited} />
            ) : (
                <>
                    <button
                        type="button"
                        tabIndex={-1}
                        onClick={event => event.shiftKey || event.ctrlKey || event.metaKey || on.sheet(row)}
                        className={clsx(
                            'truncate text-left hover:underline hover:underline-offset-2',
                            faint ? 'text-ink-3' : 'font-medium',
                        )}
                    >
                        <Marked text={page.name} part={text} />
                    </button>
                    {(page.kind !== 'page' || page.closed || page.isProtected) && <KindSign page={page} />}
                    {page.start && <span className="ml-2 text-[12px] whitespace-nowrap text-ink-3">start page</span>}
                    {isParent && !row.open && (
                        <span className="ml-2 text-[12px] text-ink-3" title={count(page.children, 'page')}>
                            {page.children.toLocaleString('en-GB')}
                        </span>
                    )}
                    <RowMenu page={page} shown={active} onAct={act => on.act(row, act)} />
                </>
            )}
        </div>
    )
}
