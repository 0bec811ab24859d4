import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { notify } from '../../app/notify'
import { answered, api } from '../../api/client'
import { keys } from '../../api/queries'
import { useSite } from '../../app/site'
import { Button } from '../../ui/Button'
import { count } from '../../ui/count'
import { Modal } from '../../ui/Modal'
import { Alert } from '../../ui/Alert'
import { DialogActions } from '../../ui/DialogActions'
import { Select } from '../../ui/Select'

const ages: [number, string][] = [
    [30, 'a month'],
    [90, 'three months'],
    [365, 'a year'],
    [730, 'two years'],
]

/** Takes the details out of old history, after saying how much that is. */
export function Thin({ open, onClose }: { open: boolean; onClose: () => void }) {
    const site = useSite()
    const queries = useQueryClient()
    const [days, setDays] = useState(365)
    const path = { path: { site: site.key } }
    const { data } = useQuery({
        queryKey: [...keys.site(site.key), 'thinning', days],
        queryFn: () => answered(api.GET('/sites/{site}/history-thinning', { params: { ...path, query: { days } } })),
        enabled: open,
    })
    const thin = useMutation({
        mutationFn: () => answered(api.POST('/sites/{site}/history-thinning', { params: path, body: { days } })),
        onSuccess: async done => {
            onClose()
            notify.success(`${count(done.entries, 'change')} thinned.`)
            await queries.invalidateQueries({ queryKey: keys.site(site.key) })
        },
    })
    return (
        <Modal
            open={open}
            onClose={onClose}
            title="Trim old history"
            description="What was done, by whom, when and why stays, and so does every address. What goes is what followed in detail, and with it the way back."
            alert
        >
            <label className="flex items-center gap-2">
                Changes older than <Select className="w-auto!" value={days} choices={ages} onChoose={setDays} />
            </label>
            <p role="status" className="mt-3">
                {data === undefined ? (
                    'Counting…'
                ) : data.entries === 0 ? (
                    'No change is that old.'
                ) : (
                    <>
                        <b className="font-semibold">{count(data.entries, 'change')}</b> can then no longer be undone
                        {data.pages > 0 ? (
                            <>
                                , and <b className="font-semibold">{count(data.pages, 'deleted page')}</b>{' '}
                                {data.pages === 1 ? 'is' : 'are'} gone for good
                            </>
                        ) : (
                            ''
                        )}
                        .
                    </>
                )}
            </p>
            {thin.error !== null && <Alert className="mt-2">{thin.error.message}</Alert>}
            <DialogActions className="mt-4">
                <Button onClick={onClose}>Cancel</Button>
                <Button
                    variant="breaks"
                    disabled={data === undefined || data.entries === 0 || thin.isPending}
                    onClick={() => thin.mutate()}
                >
                    {data === undefined || data.entries === 0 ? 'Trim' : `Trim ${count(data.entries, 'change')}`}
                </Button>
            </DialogActions>
        </Modal>
    )
}
