import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useNavigate } from '@tanstack/react-router'
import { useState } from 'react'
import { answered, api, ApiProblem, type Schemas } from '../../api/client'
import { keys } from '../../api/queries'
import { notify } from '../../app/notify'
import { useSite } from '../../app/site'
import { Button, buttonClasses } from '../../ui/Button'
import { count } from '../../ui/count'
import { DialogActions } from '../../ui/DialogActions'
import { Field } from '../../ui/Field'
import { Modal } from '../../ui/Modal'

/** Puts the site in the bin: counted, taken out first, and its name typed. */
export function RemoveSite({ onClose }: { onClose: () => void }) {
    const site = useSite()
    const queries = useQueryClient()
    const navigate = useNavigate()
    const [name, type] = useState('')
    const [taken, take] = useState(false)
    const path = { site: site.key }
    const { data } = useQuery({
        queryKey: [...keys.site(site.key), 'removal'],
        queryFn: ({ signal }) => answered(api.GET('/sites/{site}/removal', { params: { path }, signal })),
    })
    const remove = useMutation({
        mutationFn: () => answered(api.DELETE('/sites/{site}', { params: { path }, body: { name } })),
        onSuccess: async now => {
            // To another site first: this view cannot be without its own.
            const next = now.sites[0]
            if (next !== undefined) await navigate({ to: '/s/$site/outline', params: { site: next.key } })
            queries.setQueryData(keys.session, now)
            if (next === undefined) await navigate({ to: '/' })
            notify.success(`Removed ${site.name}. It is in the bin for thirty days, under your sites.`)
        },
    })
    const problem = remove.error instanceof ApiProblem ? remove.error : null
    return (
        <Modal open alert onClose={onClose} title={`Remove ${site.name}?`} width={520}>
            <form
                noValidate
                className="grid gap-4"
                onSubmit={event => {
                    event.preventDefault()
                    remove.mutate()
                }}
            >
                {data !== undefined && (
                    <p>
                        {gone(data)} {site.origin} stops answering. For {data.days} days it can be brought back as it
                        was; then it is deleted for good.
                    </p>
                )}
                <p className="flex items-center gap-3">
                    <a
                        className={buttonClasses()}
                        href={`/api/v1/sites/${site.key}/export?format=site-json`}
                        download
                        onClick={() => take(true)}
                    >
                        Export it first
                    </a>
                    <span className="text-[13px] text-ink-3">
                        {taken
                            ? 'The site file is on its way to you.'
                            : 'Pages, files, menus and redirects as a site file, to be brought in again. Accounts and the history are not in it.'}
                    </span>
                </p>
                <Field
                    stacked
                    label={`Type the name of the site: ${site.name}`}
                    value={name}
                    autoComplete="off"
                    error={problem?.reasonFor('name')?.reason ?? problem?.message}
                    onChange={event => type(event.target.value)}
                />
                <DialogActions>
                    <Button onClick={onClose}>Cancel</Button>
                    <Button type="submit" variant="breaks" disabled={name.trim() !== site.name || remove.isPending}>
                        Remove the site
                    </Button>
                </DialogActions>
            </form>
        </Modal>
    )
}

/** What goes with the site; what there is none of is not spoken of. */
function gone(counts: Schemas['SiteRemoval']) {
    const parts = [
        counts.pages > 0 && `${count(counts.pages, 'page')} (${counts.live.toLocaleString('en-GB')} live)`,
        counts.files > 0 && count(counts.files, 'file'),
        counts.redirects > 0 && count(counts.redirects, 'redirect'),
        counts.visitors > 0 && count(counts.visitors, 'account of a visitor', 'accounts of visitors'),
    ].filter(each => each !== false)
    return parts.length === 0 ? 'There is nothing in it yet.' : `With it go: ${parts.join(', ')}.`
}
