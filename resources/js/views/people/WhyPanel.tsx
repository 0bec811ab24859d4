import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { answered, api } from '../../api/client'
import { keys } from '../../api/queries'
import { PickPage } from '../../app/PickPage'
import { useSite } from '../../app/site'
import { Button } from '../../ui/Button'
import { Muted } from '../../ui/Muted'
import { ReadFailure } from '../../ui/ReadFailure'
import type { Column, Row } from './rightCells'

type Props = {
    row: Row | null
    column: Column | null
    isSet: (row: Row, column: Column) => boolean
}

/** Why somebody may do what the cell is about, or not; of people also on any page. */
export function WhyPanel({ row, column, isSet }: Props) {
    return (
        <aside
            aria-label="Why"
            className="hidden w-[236px] shrink-0 overflow-y-auto border-l border-line bg-paper p-4 md:block"
        >
            <h2 className="font-bold">Why</h2>
            {row === null || column === null ? (
                <Muted small>Go to a cell to see what decides it.</Muted>
            ) : (
                <div className="mt-2 grid gap-3">
                    <div>
                        <p className="font-semibold">{row.name}</p>
                        <p className="text-[13px] text-ink-2">{column.label}</p>
                    </div>
                    <p>
                        <b className={row.cells[column.right]?.may === true ? 'text-heron' : 'text-berry'}>
                            {row.cells[column.right]?.may === true ? 'Yes. ' : 'No. '}
                        </b>
                        {row.cells[column.right]?.why}
                    </p>
                    {isSet(row, column) && <Muted small>What you set here is not saved yet.</Muted>}
                    {column.isOfSite && <Muted small>This right is held for the whole site.</Muted>}
                    {row.who.startsWith('person:') && !column.isOfSite && (
                        <OnAPage key={row.who + column.right} row={row} column={column} />
                    )}
                </div>
            )}
        </aside>
    )
}

function OnAPage({ row, column }: { row: Row; column: Column }) {
    const site = useSite()
    const [picking, pick] = useState(false)
    const [page, setPage] = useState<{ id: string; name: string } | null>(null)
    const query = { person: row.who.slice(7), right: column.right, page: page?.id ?? '' }
    const why = useQuery({
        queryKey: [...keys.site(site.key), 'why', query],
        queryFn: () => answered(api.GET('/sites/{site}/rights/why', { params: { path: { site: site.key }, query } })),
        enabled: page !== null,
    })
    return (
        <div className="border-t border-line pt-3">
            <Button onClick={() => pick(true)}>Ask about a page…</Button>
            <ReadFailure of={why} />
            {page !== null && why.data !== undefined && (
                <p className="mt-2">
                    On <b>{page.name}</b>:{' '}
                    <b className={why.data.isYes ? 'text-heron' : 'text-berry'}>{why.data.isYes ? 'yes.' : 'no.'}</b>{' '}
                    {why.data.words}
                </p>
            )}
            <PickPage
                open={picking}
                title={`May ${row.name} do it on which page?`}
                onClose={() => pick(false)}
                onPick={chosen => {
                    pick(false)
                    setPage(chosen)
                }}
            />
        </div>
    )
}
