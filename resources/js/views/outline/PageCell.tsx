import clsx from 'clsx'
import { Pin } from 'lucide-react'
import { Address } from '../../ui/Address'
import { Hint } from '../../ui/Hint'
import { lazily } from '../../ui/lazily'
import { StateChip } from '../../ui/StateChip'
import { ago } from '../../ui/time'
import type { Column } from './columns'
import type { RowHandlers } from './GridRow'
import { SlugField } from './lazyFields'
import { Picks } from './Picks'
import { Reeds } from './Reeds'
import type { Row } from './rows'

const LayoutNames = lazily(() => import('./LayoutNames').then(module => module.LayoutNames))

type Props = {
    column: Column
    row: Row & { kind: 'page' }
    editing: 'name' | 'slug' | null
    on: RowHandlers
    className: string
}

/** What a column says of a page. */
export function PageCell({ column, row, editing, on, className }: Props) {
    const { page } = row
    const quiet = clsx('truncate text-[13px] text-ink-2', className)
    switch (column) {
        case 'address':
            return (
                <div
                    role="gridcell"
                    className={clsx('min-w-0', className, editing !== 'slug' && 'truncate')}
                    onDoubleClick={() => on.edit(row, 'slug')}
                >
                    {editing === 'slug' ? (
                        <SlugField page={page} onDone={on.edited} />
                    ) : (
                        <Address address={page.address} />
                    )}
                    {page.pinned && editing !== 'slug' && (
                        <Hint description="Pinned: it follows neither name nor parent">
                            <Pin size={12} aria-label="pinned" className="ml-1.5 inline align-[-1px] text-ink-3" />
                        </Hint>
                    )}
                </div>
            )
        case 'state':
            return (
                <div role="gridcell" className={className}>
                    <StateChip
                        state={page.state}
                        edited={page.edited}
                        listed={page.listed}
                        from={page.from}
                        until={page.until}
                    />
                </div>
            )
        case 'reach':
            return (
                <div role="gridcell" className={quiet}>
                    {reach(page)}
                </div>
            )
        case 'search':
            return (
                <div role="gridcell" className={className}>
                    {page.kind === 'page' && <Reeds page={page} />}
                </div>
            )
        case 'picks':
            return (
                <div role="gridcell" className={className}>
                    <Picks page={page} onPick={() => on.act(row, 'pick')} />
                </div>
            )
        case 'layout':
            return (
                <div role="gridcell" className={quiet}>
                    {page.kind === 'page' && <LayoutNames keys={[page.layout]} />}
                </div>
            )
        case 'score':
            return (
                <div role="gridcell" className={quiet}>
                    {page.score ?? ''}
                </div>
            )
        case 'by':
            return (
                <div role="gridcell" className={quiet}>
                    {page.by ?? ''}
                </div>
            )
        case 'changed':
            return (
                <div role="gridcell" className={clsx('truncate text-right text-[13px] text-ink-3', className)}>
                    {ago(page.changed)}
                </div>
            )
    }
}

function reach({
    state,
    clicks,
    linksIn,
    reachDue,
}: {
    state: string
    clicks: number | null
    linksIn: number
    reachDue: boolean
}) {
    if (state !== 'live') return 'not yet'
    if (reachDue) return 'working it out…'
    return `${clicks === null ? 'not linked' : `${clicks} ${clicks === 1 ? 'click' : 'clicks'}`} · ${linksIn} ${linksIn === 1 ? 'link' : 'links'}`
}
