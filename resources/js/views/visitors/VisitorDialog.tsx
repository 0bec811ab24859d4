import { useState } from 'react'
import { answered, api, ApiProblem, type Schemas } from '../../api/client'
import { useSite } from '../../app/site'
import { Alert } from '../../ui/Alert'
import { Button } from '../../ui/Button'
import { DialogActions } from '../../ui/DialogActions'
import { Field } from '../../ui/Field'
import { Modal } from '../../ui/Modal'
import { useVisitorChange } from './queries'

type Props = {
    /** Null for a new one. */
    visitor: Schemas['Visitor'] | null
    onClose: () => void
    onMade: (made: Schemas['MadeVisitor']) => void
}

/** Name, mail address and roles of a visitor; a new one is invited, one that is there can be removed. */
export function VisitorDialog({ visitor, onClose, onMade }: Props) {
    const site = useSite()
    const [name, setName] = useState(visitor?.name ?? '')
    const [email, setEmail] = useState(visitor?.email ?? '')
    const [roles, setRoles] = useState(visitor?.roles.join(', ') ?? '')
    const [sure, setSure] = useState(false)
    const given = () => ({
        name,
        roles: roles
            .split(',')
            .map(role => role.trim())
            .filter(role => role !== ''),
    })
    const save = useVisitorChange(
        site.key,
        async () => {
            if (visitor !== null)
                await answered(
                    api.PATCH('/sites/{site}/visitors/{visitor}', {
                        params: { path: { site: site.key, visitor: visitor.id } },
                        body: given(),
                    }),
                )
            else
                onMade(
                    await answered(
                        api.POST('/sites/{site}/visitors', {
                            params: { path: { site: site.key } },
                            body: { ...given(), email },
                        }),
                    ),
                )
        },
        onClose,
    )
    const remove = useVisitorChange(
        site.key,
        () =>
            answered(
                api.DELETE('/sites/{site}/visitors/{visitor}', {
                    params: { path: { site: site.key, visitor: visitor?.id ?? 0 } },
                }),
            ),
        onClose,
    )
    const error = save.error ?? remove.error
    const problem = error instanceof ApiProblem ? error : null
    const reason = (field: string) =>
        problem?.problem.errors?.find(each => each.field === field || each.field.startsWith(`${field}.`))?.reason
    return (
        <Modal open onClose={onClose} title={visitor === null ? 'Add a visitor' : `Change ${visitor.name}`}>
            <form
                noValidate
                className="grid gap-4"
                onSubmit={event => {
                    event.preventDefault()
                    save.mutate(undefined)
                }}
            >
                <Field
                    stacked
                    autoFocus
                    label="What they are called"
                    value={name}
                    error={reason('name')}
                    onChange={event => setName(event.target.value)}
                />
                <Field
                    stacked
                    type="email"
                    label="Their mail address"
                    disabled={visitor !== null}
                    value={email}
                    error={reason('email')}
                    hint={visitor === null ? 'They are told by mail, and set a password.' : undefined}
                    onChange={event => setEmail(event.target.value)}
                />
                <Field
                    stacked
                    label="Their roles"
                    placeholder="crew, islander"
                    value={roles}
                    error={reason('roles')}
                    hint="Commas between. Pages and menu entries name them."
                    onChange={event => setRoles(event.target.value)}
                />
                {problem !== null && problem.problem.errors === undefined && <Alert>{problem.message}</Alert>}
                <DialogActions>
                    {visitor !== null && (
                        <Button
                            className="mr-auto text-berry"
                            onClick={() => (sure ? remove.mutate(undefined) : setSure(true))}
                        >
                            {sure ? 'Remove for good' : 'Remove…'}
                        </Button>
                    )}
                    <Button onClick={onClose}>Cancel</Button>
                    <Button type="submit" variant="main" disabled={save.isPending}>
                        {visitor === null ? 'Add' : 'Save'}
                    </Button>
                </DialogActions>
            </form>
        </Modal>
    )
}
