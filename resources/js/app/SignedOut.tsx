import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useState, type FormEvent } from 'react'
import { answered, api, ApiProblem } from '../api/client'
import { Button } from '../ui/Button'
import { Field } from '../ui/Field'
import { Modal } from '../ui/Modal'
import { CodeField } from './CodeField'
import { useSite } from './site'
import { Muted } from '../ui/Muted'

/** The session has ended while something was open: sign in again right here, and nothing typed is lost. */
export function SignedOut({ onBack }: { onBack: () => void }) {
    const { session } = useSite()
    const [password, setPassword] = useState('')
    const [code, setCode] = useState<string | null>(null)
    const queries = useQueryClient()
    const signIn = useMutation({
        mutationFn: async () => {
            await fetch('/sign-in') // a fresh token for this form, since the old one went with the session
            return answered(
                api.POST('/session', { body: { email: session.email, password, ...(code === null ? {} : { code }) } }),
            )
        },
        onSuccess: () => {
            void queries.invalidateQueries()
            onBack()
        },
        onError: error => {
            if (error instanceof ApiProblem && error.reasonFor('code') !== undefined) setCode(code ?? '')
        },
    })
    const submit = (event: FormEvent) => {
        event.preventDefault()
        signIn.mutate()
    }
    return (
        <Modal
            open
            onClose={onBack}
            alert
            title="You have been signed out"
            description="Everything you typed is still here. Sign in to go on."
        >
            <form onSubmit={submit} className="grid gap-3">
                <Muted>{session.email}</Muted>
                <Field
                    label="Password"
                    type="password"
                    autoComplete="current-password"
                    value={password}
                    onChange={event => setPassword(event.target.value)}
                    error={code === null ? signIn.error?.message : undefined}
                    autoFocus
                />
                {code !== null && <CodeField code={code} onType={setCode} error={signIn.error?.message} />}
                <div className="flex justify-end">
                    <Button type="submit" variant="main" disabled={signIn.isPending}>
                        Sign in
                    </Button>
                </div>
            </form>
        </Modal>
    )
}
