import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { answered, api, ApiProblem, type Schemas } from '../../api/client'
import { keys } from '../../api/queries'
import { notify } from '../../app/notify'
import { RippleAccount } from '../../app/RippleAccount'
import { useSite } from '../../app/site'
import { Alert } from '../../ui/Alert'
import { Button } from '../../ui/Button'
import { DialogActions } from '../../ui/DialogActions'
import { Field, FieldFrame } from '../../ui/Field'
import { Modal } from '../../ui/Modal'
import { Muted } from '../../ui/Muted'
import { Select } from '../../ui/Select'

/** Moves a branch to another site: what follows on both is seen first, then both changes are made, or neither. */
export function ToSite({ page, onClose }: { page: { id: string; name: string }; onClose: () => void }) {
    const site = useSite()
    const queries = useQueryClient()
    const others = site.session.sites.filter(each => each.key !== site.key && each.somewhere.includes('structure'))
    const [to, choose] = useState(others[0]?.key ?? '')
    const [under, type] = useState('')
    const path = { site: site.key, page: page.id }
    const look = useMutation({
        mutationFn: () =>
            answered(
                api.POST('/sites/{site}/pages/{page}/to-site-ripple', {
                    params: { path },
                    body: { to, under: under.trim() === '' ? null : under.trim() },
                }),
            ),
    })
    const move = useMutation({
        mutationFn: (seen: Schemas['MovedBranch']) =>
            answered(
                api.POST('/sites/{site}/pages/{page}/to-site', {
                    params: { path },
                    body: { to, import: seen.import, digests: [seen.there.digest, seen.here.digest] },
                }),
            ),
        onSuccess: async () => {
            await queries.invalidateQueries({ queryKey: keys.site(site.key) })
            await queries.invalidateQueries({ queryKey: keys.site(to) })
            notify.success(`Moved ${page.name}. Each site's history can undo its part.`)
            onClose()
        },
    })
    const problem = look.error instanceof ApiProblem ? look.error : null
    const seen = look.data
    const name = others.find(each => each.key === to)?.name ?? ''
    const stops = seen !== undefined && !(seen.there.canBeApplied && seen.here.canBeApplied)
    return (
        <Modal
            open
            onClose={onClose}
            title={`Move ${page.name} to another site`}
            description="With what is below, its content and its files. Every address that it has here redirects to the other site."
            width={640}
        >
            <form
                noValidate
                className="grid gap-3"
                onSubmit={event => {
                    event.preventDefault()
                    look.mutate()
                }}
            >
                <FieldFrame label="To" error={problem?.reasonFor('to')?.reason}>
                    {({ id }) => (
                        <Select
                            id={id}
                            value={to}
                            choices={others.map(each => [each.key, each.name] as const)}
                            onChoose={key => {
                                choose(key)
                                look.reset()
                            }}
                        />
                    )}
                </FieldFrame>
                <Field
                    label="Under"
                    mono
                    value={under}
                    placeholder="/"
                    hint="The address of a page there; empty for the top."
                    error={problem?.reasonFor('under')?.reason}
                    onChange={event => {
                        type(event.target.value)
                        look.reset()
                    }}
                />
                {problem !== null && problem.problem.errors === undefined && <Alert>{problem.message}</Alert>}
                {problem?.reasonFor('page') !== undefined && <Alert>{problem.reasonFor('page')?.reason}</Alert>}
                {seen !== undefined && (
                    <>
                        <section aria-label={`On ${name}`}>
                            <h3 className="mb-1 font-semibold">On {name}</h3>
                            <RippleAccount account={seen.there.account} rows={null} />
                        </section>
                        <section aria-label={`On ${site.name}`}>
                            <h3 className="mb-1 font-semibold">On {site.name}</h3>
                            <RippleAccount account={seen.here.account} rows={null} />
                        </section>
                    </>
                )}
                {stops && (
                    <Muted>
                        An address that it needs is taken there. Free it first, or move the branch under another page.
                    </Muted>
                )}
                {move.error !== null && <Alert>{move.error.message}</Alert>}
                <DialogActions>
                    <Button onClick={onClose}>Cancel</Button>
                    {seen === undefined ? (
                        <Button type="submit" variant="main" disabled={to === '' || look.isPending}>
                            See what follows
                        </Button>
                    ) : (
                        <Button variant="main" disabled={stops || move.isPending} onClick={() => move.mutate(seen)}>
                            Move to {name}
                        </Button>
                    )}
                </DialogActions>
            </form>
        </Modal>
    )
}
