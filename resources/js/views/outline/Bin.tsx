import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { answered, api, type Schemas } from '../../api/client'
import { keys } from '../../api/queries'
import { useChanges } from '../../app/changes'
import { PickPage } from '../../app/PickPage'
import { useSite } from '../../app/site'
import { readable } from '../../ui/Address'
import { Button } from '../../ui/Button'
import { count } from '../../ui/count'
import { Modal } from '../../ui/Modal'
import { ago } from '../../ui/time'
import { Alert } from '../../ui/Alert'
import { Muted } from '../../ui/Muted'
import { DialogActions } from '../../ui/DialogActions'

type BinRow = Schemas['BinRow']

/** What waits in the bin: brought back to where it was, or elsewhere; or deleted for good. */
export function Bin({ open, onClose }: { open: boolean; onClose: () => void }) {
    const site = useSite()
    const { propose } = useChanges()
    const { data = [], error } = useQuery({
        queryKey: keys.bin(site.key),
        queryFn: () => answered(api.GET('/sites/{site}/bin', { params: { path: { site: site.key } } })),
        enabled: open,
    })
    const [placing, setPlacing] = useState<BinRow | null>(null)
    const bring = (row: BinRow, place?: Schemas['Place']) => {
        onClose()
        void propose({
            title: `Bringing ${row.name} back`,
            act: 'Bring back',
            always: true,
            batch: { changes: [{ kind: 'bring-back', page: row.id, ...(place === undefined ? {} : { place }) }] },
        })
    }
    const empty = (rows: BinRow[]) => {
        onClose()
        const what = rows.length === 1 ? (rows[0]?.name ?? '') : 'everything in the bin'
        void propose({
            title: `Deleting ${what} for good`,
            act: rows.length === 1 ? 'Delete for good' : 'Delete for good',
            always: true,
            batch: { changes: [{ kind: 'delete-for-good', pages: rows.map(row => row.id) }] },
        })
    }
    return (
        <Modal
            open={open}
            onClose={onClose}
            title="Bin"
            help="retire"
            description="Retired pages wait here with everything that was below them. Old addresses keep answering, even after deletion."
            width={820}
        >
            {error !== null && <Alert>{error.message}</Alert>}
            <ul className="grid">
                {data.map(row => (
                    <li
                        key={row.id}
                        className="grid grid-cols-[minmax(0,1fr)_auto] items-center gap-x-4 border-t border-line py-2"
                    >
                        <div className="min-w-0">
                            <p className="truncate">
                                <b className="font-semibold">{row.name}</b>
                                {row.along > 0 && (
                                    <span className="text-ink-2"> and {count(row.along, 'page')} below</span>
                                )}
                                {row.isProtected && <span className="text-ink-3"> · protected</span>}
                            </p>
                            <p className="truncate text-[12px] text-ink-3">
                                <span className="font-mono">{readable(row.address)}</span> · {ago(row.binned)}
                                {row.by !== null && `, by ${row.by}`}
                                {row.parentThere
                                    ? row.parentName !== null && ` · was in ${row.parentName}`
                                    : ` · its old place${row.parentName === null ? '' : `, ${row.parentName},`} is gone`}
                            </p>
                        </div>
                        {site.maySomewhere('retire') && (
                            <div className="flex gap-1.5">
                                {row.parentThere && <Button onClick={() => bring(row)}>Bring back</Button>}
                                <Button variant="quiet" onClick={() => setPlacing(row)}>
                                    {row.parentThere ? 'Elsewhere…' : 'Bring back to…'}
                                </Button>
                                <Button variant="quiet" className="text-berry!" onClick={() => empty([row])}>
                                    Delete for good
                                </Button>
                            </div>
                        )}
                    </li>
                ))}
            </ul>
            {data.length === 0 && <Muted>The bin is empty. Pages put in it wait here, to be brought back.</Muted>}
            <DialogActions className="mt-4">
                {site.maySomewhere('retire') && data.length > 1 && (
                    <Button variant="breaks" onClick={() => empty(data)}>
                        Delete all {data.length} for good
                    </Button>
                )}
                <Button onClick={onClose}>Close the bin</Button>
            </DialogActions>
            <PickPage
                top
                open={placing !== null}
                title={`Bring ${placing?.name ?? ''} back inside`}
                onClose={() => setPlacing(null)}
                onPick={page => placing !== null && bring(placing, { last: page.id === 'top' ? null : page.id })}
            />
        </Modal>
    )
}
