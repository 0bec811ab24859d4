import { useState } from 'react'
import { answered, api, ApiProblem } from '../../api/client'
import { notify } from '../../app/notify'
import { Button } from '../../ui/Button'
import { Field } from '../../ui/Field'
import { Part } from './Part'
import { useAccountChange, type Account } from './queries'

/** Name, mail address and password, each saved by itself. */
export function Details({ account }: { account: Account }) {
    return (
        <Part title="Name, mail address and password">
            <One field="name" label="Name" now={account.name} said="Your name is changed." />
            <One
                field="email"
                label="Mail address"
                type="email"
                now={account.email}
                hint="You sign in with it. The old and the new address are told of a change."
                said="Your mail address is changed."
            />
            <One
                field="password"
                label="New password"
                type="password"
                now=""
                hint="At least 12 characters; a few words in a row do well. Other sessions and all tokens end."
                said="Your password is changed."
            />
        </Part>
    )
}

type Props = {
    field: 'name' | 'email' | 'password'
    label: string
    type?: string
    now: string
    hint?: string
    said: string
}

function One({ field, label, type = 'text', now, hint, said }: Props) {
    const [typed, setTyped] = useState<string | null>(null)
    const value = typed ?? now
    const save = useAccountChange(
        () => answered(api.PATCH('/account', { body: { [field]: value } })),
        () => {
            setTyped(null)
            notify.success(said)
        },
    )
    const problem = save.error instanceof ApiProblem ? save.error : null
    return (
        <form
            noValidate
            className="flex items-start gap-3"
            onSubmit={event => {
                event.preventDefault()
                save.mutate(undefined)
            }}
        >
            <div className="min-w-0 flex-1">
                <Field
                    label={label}
                    type={type}
                    autoComplete={field === 'password' ? 'new-password' : field}
                    value={value}
                    hint={hint}
                    error={problem?.message}
                    onChange={event => setTyped(event.target.value)}
                />
            </div>
            <Button type="submit" disabled={value === now || save.isPending} aria-label={`Save: ${label}`}>
                Save
            </Button>
        </form>
    )
}
