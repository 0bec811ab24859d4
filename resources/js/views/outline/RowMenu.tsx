import clsx from 'clsx'
import { Ellipsis } from 'lucide-react'
import { lazy } from 'react'
import { useSite } from '../../app/site'
import type { PageAct } from '../../app/pageActs'
import { MenuButton } from '../../ui/MenuButton'
import type { Page } from './rows'

export type RowAct =
    | 'make-inside'
    | 'make-after'
    | 'name'
    | 'slug'
    | 'move'
    | 'write'
    | 'pick'
    | 'make-from'
    | 'keep'
    | 'to-site'
    | PageAct

/** Those that are asked for elsewhere as well, and done in the row. */
export const isRowAct = (what: string): what is RowAct => ['make-inside', 'name', 'slug', 'move', 'pick'].includes(what)

export const RowActs = lazy(() => import('./RowActs').then(module => ({ default: module.RowActs })))

/** What can be done to a row, for the mouse, with the keys beside for next time. */
export function RowMenu({ page, shown, onAct }: { page: Page; shown: boolean; onAct: (act: RowAct) => void }) {
    const { writes } = useSite()
    if (!writes) return null
    return (
        <MenuButton
            tabIndex={-1}
            aria-label={`Change ${page.name}`}
            onClick={event => event.stopPropagation()}
            onDoubleClick={event => event.stopPropagation()}
            className={clsx(
                'ml-1.5 size-6 flex-none place-items-center rounded text-ink-3 hover:bg-line hover:text-ink data-[state=open]:grid',
                shown ? 'grid' : 'hidden group-hover/row:grid',
            )}
            menu={trigger => <RowActs trigger={trigger} page={page} onAct={onAct} />}
        >
            <Ellipsis size={15} aria-hidden />
        </MenuButton>
    )
}
