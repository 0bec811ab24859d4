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
                hint="You sign in with it. Another one holds once you have confirmed it there."
                said="A letter is on its way. Confirm the new address there."
            />
            {account.emailWanted !== null && <Waiting account={account} wanted={account.emailWanted} />}
            <One
                field="password"
                label="New password"
                type="password"
                now=""
                hint="At least 12 characters; a few words in a row work well. Other sessions and all tokens end."
                said="Your password is changed."
            />
        </Part>
    )
}

/** An address that was asked for and is not confirmed yet. */
function Waiting({ account, wanted }: { account: Account; wanted: string }) {
    const ask = (email: string, said: string) => ({
        send: () => answered(api.PATCH('/account', { body: { email } })),
        done: () => notify.success(said),
    })
    const once = ask(wanted, 'The letter is sent once more.')
    const drop = ask(account.email, 'Your mail address stays as it is.')
    const again = useAccountChange(once.send, once.done)
    const discard = useAccountChange(drop.send, drop.done)
    return (
        <p className="flex flex-wrap items-center gap-x-2 rounded bg-sunk px-3 py-2 text-[13px]">
            <span className="min-w-0 flex-1">
                <b className="font-semibold break-all">{wanted}</b> waits to be confirmed: follow the link in the letter
                that went there, within a day.
            </span>
            <Button variant="quiet" disabled={again.isPending} onClick={() => again.mutate(undefined)}>
                Send it again
            </Button>
            <Button variant="quiet" disabled={discard.isPending} onClick={() => discard.mutate(undefined)}>
                Discard
            </Button>
        </p>
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
