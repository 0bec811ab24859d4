import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { answered, api, ApiProblem } from '../../api/client'
import { keys } from '../../api/queries'
import { notify } from '../../app/notify'
import { useSite } from '../../app/site'
import { Alert } from '../../ui/Alert'
import { Button } from '../../ui/Button'
import { DialogActions } from '../../ui/DialogActions'
import { Field } from '../../ui/Field'
import { Modal } from '../../ui/Modal'
import { useKept } from '../../ui/useKept'
import { HandOver } from '../../app/HandOver'
import { RoleChoices } from './RoleChoices'

type Typed = { name: string; email: string; roles: string[] }

const nothing: Typed = { name: '', email: '', roles: [] }

/** Invites somebody by mail, with the roles that they are to have. */
export function InviteDialog({ onClose }: { onClose: () => void }) {
    const site = useSite()
    const queries = useQueryClient()
    const [typed, keep] = useKept(`heronstem.invite.${site.key}`, nothing)
    const [link, setLink] = useState<{ name: string; link: string } | null>(null)
    const invite = useMutation({
        mutationFn: () =>
            answered(api.POST('/sites/{site}/people', { params: { path: { site: site.key } }, body: typed })),
        onSuccess: async invited => {
            keep(null)
            await queries.invalidateQueries({ queryKey: keys.site(site.key) })
            if (invited.link !== null) setLink({ name: invited.name, link: invited.link })
            else {
                notify.success(`${invited.name} is added, and told by mail.`)
                onClose()
            }
        },
    })
    const problem = invite.error instanceof ApiProblem ? invite.error : null
    const said = (field: string) => problem?.reasonFor(field)?.reason
    if (link !== null) return <HandOver {...link} onClose={onClose} />
    return (
        <Modal open onClose={onClose} title="Invite somebody">
            <form
                noValidate
                className="grid gap-4"
                onSubmit={event => {
                    event.preventDefault()
                    invite.mutate()
                }}
            >
                <Field
                    stacked
                    autoFocus
                    type="email"
                    label="Their mail address"
                    value={typed.email}
                    error={said('email')}
                    onChange={event => keep({ ...typed, email: event.target.value })}
                />
                <Field
                    stacked
                    label="What they are called"
                    value={typed.name}
                    error={said('name')}
                    onChange={event => keep({ ...typed, name: event.target.value })}
                />
                <fieldset className="grid gap-1.5">
                    <legend className="mb-1 font-semibold">Roles</legend>
                    <RoleChoices chosen={typed.roles} onChoose={roles => keep({ ...typed, roles })} />
                    {said('roles') !== undefined && (
                        <p role="alert" className="text-[12px] text-berry">
                            {said('roles')}
                        </p>
                    )}
                </fieldset>
                {problem !== null && problem.problem.errors === undefined && <Alert>{problem.message}</Alert>}
                <DialogActions>
                    <Button onClick={onClose}>Cancel</Button>
                    <Button variant="main" type="submit" disabled={invite.isPending}>
                        Invite
                    </Button>
                </DialogActions>
            </form>
        </Modal>
    )
}
