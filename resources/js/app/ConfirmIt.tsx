import { useMutation } from '@tanstack/react-query'
import { useState } from 'react'
import { answered, api, ApiProblem } from '../api/client'
import { Button } from '../ui/Button'
import { DialogActions } from '../ui/DialogActions'
import { Field } from '../ui/Field'
import { Modal } from '../ui/Modal'
import { CodeField } from './CodeField'

/** The password once more, before something is done that gives rights, opens pages, runs as code or holds for the whole site. */
export function ConfirmIt({ onAnswer }: { onAnswer: (isConfirmed: boolean) => void }) {
    const [password, setPassword] = useState('')
    const [code, setCode] = useState<string | null>(null)
    const confirm = useMutation({
        mutationFn: () =>
            answered(api.POST('/session/confirmed', { body: { password, ...(code === null ? {} : { code }) } })),
        onSuccess: () => onAnswer(true),
        onError: error => {
            if (error instanceof ApiProblem && error.reasonFor('code') !== undefined) setCode(code ?? '')
        },
    })
    const problem = confirm.error instanceof ApiProblem ? confirm.error : null
    return (
        <Modal
            open
            onClose={() => onAnswer(false)}
            title="Confirm that it is you"
            description="You signed in a while ago, and this is a sensitive change: it gives rights, opens pages or affects the whole site. Type your password to go on."
        >
            <form
                noValidate
                className="grid gap-3"
                onSubmit={event => {
                    event.preventDefault()
                    confirm.mutate()
                }}
            >
                <Field
                    label="Password"
                    type="password"
                    autoComplete="current-password"
                    autoFocus
                    value={password}
                    onChange={event => setPassword(event.target.value)}
                    error={code === null ? problem?.message : problem?.reasonFor('password')?.reason}
                />
                {code !== null && (
                    <CodeField
                        code={code}
                        onType={setCode}
                        error={problem?.reasonFor('code')?.reason ?? problem?.message}
                    />
                )}
                <DialogActions>
                    <Button onClick={() => onAnswer(false)}>Cancel</Button>
                    <Button type="submit" variant="main" disabled={confirm.isPending}>
                        Confirm
                    </Button>
                </DialogActions>
            </form>
        </Modal>
    )
}
