import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { getRouteApi, Link, useRouter } from '@tanstack/react-router'
import { useState } from 'react'
import { answered, api, ApiProblem } from '../../api/client'
import { keys } from '../../api/queries'
import { CodeField } from '../../app/CodeField'
import { Alert } from '../../ui/Alert'
import { Button } from '../../ui/Button'
import { Field } from '../../ui/Field'
import { Muted } from '../../ui/Muted'
import { ConfirmMail } from './ConfirmMail'

const route = getRouteApi('/account/$token')

/** Where the link of an invitation, or of a forgotten password, leads: a password is set, and one is signed in. */
export function AccountLink() {
    const { token } = route.useParams()
    const router = useRouter()
    const queries = useQueryClient()
    const [password, setPassword] = useState('')
    const [shown, show] = useState(false)
    const [code, setCode] = useState<string | null>(null)
    const params = { path: { token } }
    const link = useQuery({
        queryKey: ['account-link', token],
        queryFn: () => answered(api.GET('/account-links/{token}', { params })),
        retry: false,
        staleTime: Infinity,
    })
    const set = useMutation({
        mutationFn: () =>
            answered(
                api.POST('/account-links/{token}', { params, body: { password, ...(code === null ? {} : { code }) } }),
            ),
        onSuccess: session => {
            queries.setQueryData(keys.session, session)
            router.history.push('/')
        },
        onError: error => {
            if (error instanceof ApiProblem && error.reasonFor('code') !== undefined) setCode(code ?? '')
        },
    })
    const problem = set.error instanceof ApiProblem ? set.error : null
    const isInvitation = link.data?.purpose === 'invitation'
    return (
        <main className="grid h-full place-items-center overflow-y-auto p-4">
            {link.isError ? (
                <div className="grid w-[380px] max-w-full gap-3">
                    <h1 className="text-[26px] leading-8 font-bold">This link is no longer valid</h1>
                    <Muted>
                        It has been used, or it has expired. Ask whoever invited you to send it once more, or ask for a
                        new password where you sign in. A mail address is asked for anew on your account.
                    </Muted>
                    <Link to="/sign-in" search={{}} className="font-semibold text-heron underline">
                        To the sign-in
                    </Link>
                </div>
            ) : (
                link.data !== undefined &&
                (link.data.purpose === 'mail' ? (
                    <ConfirmMail token={token} email={link.data.email} />
                ) : (
                    <form
                        noValidate
                        className="grid w-[380px] max-w-full gap-4"
                        onSubmit={event => {
                            event.preventDefault()
                            set.mutate()
                        }}
                    >
                        <h1 className="text-[26px] leading-8 font-bold">
                            {isInvitation ? `Welcome, ${link.data.name}` : 'Set a new password'}
                        </h1>
                        <Muted>
                            {isInvitation
                                ? `Set a password for ${link.data.email}. You are signed in at once.`
                                : `For ${link.data.email}. Everybody who is signed in with the old one is signed out.`}
                        </Muted>
                        <input type="hidden" name="email" autoComplete="username" value={link.data.email} />
                        <Field
                            stacked
                            autoFocus
                            label="New password"
                            type={shown ? 'text' : 'password'}
                            autoComplete="new-password"
                            value={password}
                            hint="At least 12 characters. A few words in a row work well."
                            error={problem?.reasonFor('password')?.reason}
                            onChange={event => setPassword(event.target.value)}
                        />
                        <label className="-mt-2 flex items-center gap-2 text-[13px] text-ink-2">
                            <input
                                type="checkbox"
                                className="accent-heron"
                                checked={shown}
                                onChange={event => show(event.target.checked)}
                            />
                            Show what I type
                        </label>
                        {code !== null && (
                            <CodeField code={code} onType={setCode} error={problem?.reasonFor('code')?.reason} />
                        )}
                        {problem !== null && !['password', 'code'].some(field => problem.reasonFor(field)) && (
                            <Alert>{problem.message}</Alert>
                        )}
                        <Button type="submit" variant="main" className="h-9" disabled={set.isPending}>
                            Set password and sign in
                        </Button>
                    </form>
                ))
            )}
        </main>
    )
}
