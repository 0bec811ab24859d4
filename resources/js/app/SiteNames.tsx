import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { notify } from './notify'
import { answered, api, ApiProblem, type Schemas } from '../api/client'
import { keys } from '../api/queries'
import { siteNamesQuery } from '../api/viewQueries'
import { useSite } from './site'
import { Button } from '../ui/Button'
import { Field, FieldFrame, inputClasses } from '../ui/Field'
import { Modal } from '../ui/Modal'
import { DialogActions } from '../ui/DialogActions'

type Names = Schemas['SiteNames']

/** What the site is called, at length, in short, in a line and in a sentence. */
export function SiteNames({ className = 'h-6! px-1.5! text-[12px]' }: { className?: string }) {
    const [open, setOpen] = useState(false)
    return (
        <>
            <Button variant="quiet" className={className} onClick={() => setOpen(true)}>
                Names of the site…
            </Button>
            {open && <Names onClose={() => setOpen(false)} />}
        </>
    )
}

function Names({ onClose }: { onClose: () => void }) {
    const site = useSite()
    const queries = useQueryClient()
    const { data } = useQuery(siteNamesQuery(site.key))
    const [typed, setTyped] = useState<Partial<Names>>({})
    const save = useMutation({
        mutationFn: () =>
            answered(api.PATCH('/sites/{site}/names', { params: { path: { site: site.key } }, body: typed })),
        onSuccess: async () => {
            await Promise.all([
                queries.invalidateQueries({ queryKey: keys.site(site.key) }),
                queries.invalidateQueries({ queryKey: keys.session }),
            ])
            notify.success('The site has these names now.')
            onClose()
        },
    })
    const errorOf = (field: string) =>
        save.error instanceof ApiProblem
            ? save.error.problem.errors?.find(each => each.field === field)?.reason
            : undefined
    const text = (field: keyof Names) => ({
        value: typed[field] ?? data?.[field] ?? '',
        error: errorOf(field),
        onChange: (event: { target: { value: string } }) => setTyped({ ...typed, [field]: event.target.value }),
    })
    return (
        <Modal open onClose={onClose} title="Names of the site" width={520}>
            <form
                className="grid gap-3"
                onSubmit={event => {
                    event.preventDefault()
                    save.mutate()
                }}
            >
                <Field label="Name" hint="On every page, and in titles." {...text('name')} />
                <Field label="Short name" hint="On phones; without one the name is used." {...text('shortName')} />
                <Field label="Line" hint="Under the name." {...text('tagline')} />
                <FieldFrame
                    label="Summary"
                    hint="For search engines, where a page has no description."
                    error={text('summary').error}
                >
                    {({ id, describedBy }) => (
                        <textarea
                            id={id}
                            aria-describedby={describedBy}
                            rows={3}
                            className={inputClasses}
                            value={text('summary').value}
                            onChange={text('summary').onChange}
                        />
                    )}
                </FieldFrame>
                <DialogActions>
                    <Button onClick={onClose}>Cancel</Button>
                    <Button type="submit" variant="main" disabled={Object.keys(typed).length === 0 || save.isPending}>
                        Save names
                    </Button>
                </DialogActions>
            </form>
        </Modal>
    )
}
