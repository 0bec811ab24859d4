import { useMutation, useQueryClient } from '@tanstack/react-query'
import { getRouteApi, useRouter } from '@tanstack/react-router'
import { useState, type FormEvent } from 'react'
import { answered, api, ApiProblem } from '../../api/client'
import { keys } from '../../api/queries'
import { Button } from '../../ui/Button'
import { Field } from '../../ui/Field'
import { Alert } from '../../ui/Alert'
import { Forgotten } from './Forgotten'

const route = getRouteApi('/sign-in')

export function SignIn() {
    const { to } = route.useSearch()
    const router = useRouter()
    const queries = useQueryClient()
    const [email, setEmail] = useState('')
    const [password, setPassword] = useState('')
    const [code, setCode] = useState<string | null>(null)
    const [forgotten, forget] = useState(false)
    const signIn = useMutation({
        mutationFn: () =>
            answered(api.POST('/session', { body: { email, password, ...(code === null ? {} : { code }) } })),
        onSuccess: session => {
            queries.setQueryData(keys.session, session)
            router.history.push(session.lacksSecondStep ? '/account' : (to ?? '/'))
        },
        onError: error => {
            if (error instanceof ApiProblem && error.reasonFor('code') !== undefined) setCode(code ?? '')
        },
    })
    const problem = signIn.error instanceof ApiProblem ? signIn.error : null
    const fieldError = (field: string) => problem?.reasonFor(field)?.reason
    const submit = (event: FormEvent) => {
        event.preventDefault()
        signIn.mutate()
    }
    return (
        <main className="grid h-full lg:grid-cols-[minmax(0,1fr)_minmax(0,1.15fr)]">
            <form onSubmit={submit} className="m-auto grid w-[340px] max-w-[calc(100vw-32px)] gap-4" noValidate>
                <h1 className="mb-2 text-[26px] leading-8 font-bold tracking-[-0.015em]">Sign in to Heronstem</h1>
                <Field
                    label="Mail address"
                    type="email"
                    name="email"
                    autoComplete="username"
                    value={email}
                    onChange={event => setEmail(event.target.value)}
                    error={fieldError('email')}
                    stacked
                    autoFocus
                />
                <Field
                    label="Password"
                    type="password"
                    name="password"
                    autoComplete="current-password"
                    value={password}
                    onChange={event => setPassword(event.target.value)}
                    error={fieldError('password')}
                    stacked
                />
                {code !== null && (
                    <Field
                        label="Code of your device"
                        name="code"
                        inputMode="numeric"
                        autoComplete="one-time-code"
                        value={code}
                        onChange={event => setCode(event.target.value)}
                        error={code === '' ? undefined : fieldError('code')}
                        hint="Or one of your backup codes."
                        stacked
                        autoFocus
                    />
                )}
                {problem !== null && problem.problem.errors === undefined && <Alert>{problem.message}</Alert>}
                <Button type="submit" variant="main" className="h-9" disabled={signIn.isPending}>
                    Sign in
                </Button>
                <Button variant="quiet" className="-ml-2 justify-self-start" onClick={() => forget(true)}>
                    Password forgotten?
                </Button>
                {forgotten && <Forgotten mail={email} onClose={() => forget(false)} />}
            </form>
            <Drawing />
        </main>
    )
}

/** A heron's stem: one root, branches, and where a page will land. */
function Drawing() {
    return (
        <div aria-hidden className="hidden place-items-center border-l border-line bg-sunk lg:grid">
            <svg viewBox="0 0 420 460" className="h-[64vh]" fill="none" stroke="var(--heron)" strokeLinecap="round">
                <g strokeWidth="5">
                    <path d="M210 450V120M210 330c0-80 66-92 110-92M210 240c0-70-60-96-112-96" />
                    <path d="M210 120c0-44 28-62 62-62" />
                </g>
                <g strokeWidth="2.5" opacity="0.75">
                    <path d="M320 238c28 0 40-16 40-44M320 238c26 0 44 10 52 30M98 144c-26 0-38-14-38-40M98 144c-28 0-44 12-50 34" />
                </g>
                <g fill="var(--sheet)" strokeWidth="3">
                    <circle cx="320" cy="238" r="9" />
                    <circle cx="98" cy="144" r="9" />
                    <circle cx="360" cy="194" r="6" />
                    <circle cx="372" cy="268" r="6" />
                    <circle cx="60" cy="104" r="6" />
                    <circle cx="48" cy="178" r="6" />
                </g>
                <circle cx="272" cy="58" r="10" fill="var(--heron)" stroke="none" />
                <path d="M282 57l42 5-42 6z" fill="var(--heron)" stroke="none" />
            </svg>
        </div>
    )
}
