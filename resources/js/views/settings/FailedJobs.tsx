import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { answered, api } from '../../api/client'
import { keys } from '../../api/queries'
import { notify } from '../../app/notify'
import { useSite } from '../../app/site'
import { Button } from '../../ui/Button'
import { count } from '../../ui/count'
import { DialogActions } from '../../ui/DialogActions'
import { Modal } from '../../ui/Modal'
import { Muted } from '../../ui/Muted'
import { ReadFailure } from '../../ui/ReadFailure'
import { ago } from '../../ui/time'

/** Milliseconds after which it is asked again whether something has failed. */
const AGAIN = 30_000

function useFailedJobs() {
    const site = useSite()
    return useQuery({
        queryKey: [...keys.site(site.key), 'failed-jobs'],
        queryFn: () => answered(api.GET('/sites/{site}/failed-jobs', { params: { path: { site: site.key } } })),
        refetchInterval: AGAIN,
    })
}

/** How work in the background stands, in a line. */
export function BackgroundWork() {
    const jobs = useFailedJobs()
    if (jobs.data === undefined) return <ReadFailure of={jobs} />
    const { waiting, jobs: failed } = jobs.data
    return (
        <>
            {waiting === 0 ? 'nothing waits' : count(waiting, 'job waits or runs', 'jobs wait or run')}
            {failed.length > 0 && (
                <b className="font-semibold text-berry">, {count(failed.length, 'job has', 'jobs have')} failed</b>
            )}
        </>
    )
}

/** Opens what failed, where something has. */
export function FailedJobs({ className }: { className?: string }) {
    const [open, setOpen] = useState(false)
    const jobs = useFailedJobs()
    if (jobs.data === undefined || (jobs.data.jobs.length === 0 && !open)) return null
    return (
        <>
            <Button variant="quiet" className={className} onClick={() => setOpen(true)}>
                What failed…
            </Button>
            {open && <FailedJobsDialog onClose={() => setOpen(false)} />}
        </>
    )
}

function FailedJobsDialog({ onClose }: { onClose: () => void }) {
    const site = useSite()
    const queries = useQueryClient()
    const jobs = useFailedJobs()
    const done = () => queries.invalidateQueries({ queryKey: [...keys.site(site.key), 'failed-jobs'] })
    const path = (job: string) => ({ site: site.key, job })
    const again = useMutation({
        mutationFn: (job: string) =>
            answered(api.POST('/sites/{site}/failed-jobs/{job}/again', { params: { path: path(job) } })),
        onSuccess: async () => {
            await done()
            notify.success('It is tried again in the background.')
        },
        onError: fault => notify.error(fault.message),
    })
    const forget = useMutation({
        mutationFn: (job: string) =>
            answered(api.DELETE('/sites/{site}/failed-jobs/{job}', { params: { path: path(job) } })),
        onSuccess: done,
        onError: fault => notify.error(fault.message),
    })
    const failed = jobs.data?.jobs ?? []
    return (
        <Modal
            open
            onClose={onClose}
            title="What failed in the background"
            description="It was tried three times. What it was to do is not done until it is tried again and succeeds."
            width={640}
        >
            {failed.length === 0 && <Muted>Nothing failed that was not tried again or removed.</Muted>}
            <ul aria-label="Failed jobs" className="mb-4">
                {failed.map(job => (
                    <li key={job.id} className="flex items-start gap-3 border-b border-line py-2.5">
                        <div className="min-w-0 flex-1">
                            <p className="font-semibold">{job.what}</p>
                            <p className="text-[13px] leading-5 break-words text-ink-2">{job.why}</p>
                            <p className="text-[13px] text-ink-3">
                                <time dateTime={job.failedAt}>{ago(job.failedAt)}</time>
                            </p>
                        </div>
                        <Button disabled={again.isPending} onClick={() => again.mutate(job.id)}>
                            Try again
                        </Button>
                        <Button variant="quiet" disabled={forget.isPending} onClick={() => forget.mutate(job.id)}>
                            Remove
                        </Button>
                    </li>
                ))}
            </ul>
            <DialogActions>
                <Button onClick={onClose}>Close</Button>
            </DialogActions>
        </Modal>
    )
}
