import { useMutation } from '@tanstack/react-query'
import { useState } from 'react'
import { answered, api, ApiProblem } from '../../api/client'
import { Alert } from '../../ui/Alert'
import { Button } from '../../ui/Button'
import { DialogActions } from '../../ui/DialogActions'
import { Field } from '../../ui/Field'
import { Modal } from '../../ui/Modal'

/** Asks for a link to set a new password. Whether the address is known is told by mail alone. */
export function Forgotten({ mail, onClose }: { mail: string; onClose: () => void }) {
    const [email, setEmail] = useState(mail)
    const ask = useMutation({ mutationFn: () => answered(api.POST('/password-forgotten', { body: { email } })) })
    const problem = ask.error instanceof ApiProblem ? ask.error : null
    return (
        <Modal open onClose={onClose} title="Set a new password">
            {ask.isSuccess ? (
                <>
                    <p>
                        If somebody has an account with {email}, a link to set a new password is on its way. It is good
                        for an hour.
                    </p>
                    <DialogActions className="mt-4">
                        <Button variant="main" onClick={onClose}>
                            Done
                        </Button>
                    </DialogActions>
                </>
            ) : (
                <form
                    noValidate
                    className="grid gap-4"
                    onSubmit={event => {
                        event.preventDefault()
                        ask.mutate()
                    }}
                >
                    <Field
                        stacked
                        autoFocus
                        type="email"
                        label="Mail address of your account"
                        value={email}
                        error={problem?.reasonFor('email')?.reason}
                        onChange={event => setEmail(event.target.value)}
                    />
                    {problem !== null && problem.reasonFor('email') === undefined && <Alert>{problem.message}</Alert>}
                    <DialogActions>
                        <Button onClick={onClose}>Cancel</Button>
                        <Button variant="main" type="submit" disabled={ask.isPending}>
                            Send link
                        </Button>
                    </DialogActions>
                </form>
            )}
        </Modal>
    )
}
