import { useState } from 'react'
import { answered, api, type Schemas } from '../../api/client'
import { notify } from '../../app/notify'
import { useSite } from '../../app/site'
import { Button } from '../../ui/Button'
import { Choice } from '../../ui/Choice'
import { Field } from '../../ui/Field'
import { Muted } from '../../ui/Muted'
import { useVisitorChange } from './queries'

type Rule = Schemas['SignUp']
type Typed = { open: Rule['open']; roles: string; byDomain: string }

const choices: [Rule['open'], string][] = [
    ['nobody', 'Nobody: accounts are made here'],
    ['approval', 'Anyone who asks, once somebody approves'],
    ['everyone', 'Everyone who confirms their mail address'],
]
const list = (typed: string) =>
    typed
        .split(',')
        .map(each => each.trim())
        .filter(each => each !== '')

/** Whether visitors make accounts themselves, and what roles they get by it. */
export function SignUpRule({ signUp }: { signUp: Rule | undefined }) {
    const site = useSite()
    const [typed, setTyped] = useState<Typed | null>(null)
    const now: Typed = typed ?? {
        open: signUp?.open ?? 'nobody',
        roles: signUp?.roles.join(', ') ?? '',
        byDomain: Object.entries(signUp?.byDomain ?? {})
            .map(([domain, roles]) => `${domain}: ${roles.join(', ')}`)
            .join('; '),
    }
    const save = useVisitorChange(
        site.key,
        () =>
            answered(
                api.PUT('/sites/{site}/sign-up', {
                    params: { path: { site: site.key } },
                    body: {
                        open: now.open,
                        roles: list(now.roles),
                        byDomain: Object.fromEntries(
                            now.byDomain
                                .split(';')
                                .filter(each => each.trim() !== '')
                                .map(each => {
                                    const [domain = '', roles = ''] = each.split(':')
                                    return [domain.trim(), list(roles)]
                                }),
                        ),
                    },
                }),
            ),
        () => {
            setTyped(null)
            notify.success('Saved.')
        },
    )
    return (
        <form
            className="grid gap-2"
            onSubmit={event => {
                event.preventDefault()
                save.mutate(undefined)
            }}
        >
            <h2 className="text-[17px] leading-6 font-bold">Who makes an account themselves</h2>
            {choices.map(([open, label]) => (
                <Choice
                    key={open}
                    type="radio"
                    name="open"
                    checked={now.open === open}
                    onChange={() => setTyped({ ...now, open })}
                >
                    {label}
                </Choice>
            ))}
            {now.open !== 'nobody' && (
                <div className="grid max-w-[640px] gap-2">
                    <Field
                        label="Roles of all"
                        value={now.roles}
                        placeholder="none"
                        onChange={event => setTyped({ ...now, roles: event.target.value })}
                    />
                    <Field
                        label="By address"
                        value={now.byDomain}
                        placeholder="skerrivane.example: crew, islander; port-hallin.example: islander"
                        hint="More roles for mail addresses at a domain; semicolons between domains."
                        onChange={event => setTyped({ ...now, byDomain: event.target.value })}
                    />
                </div>
            )}
            {save.error !== null && (
                <p role="alert" className="text-berry">
                    {save.error.message}
                </p>
            )}
            {typed !== null && (
                <div className="flex gap-2">
                    <Button onClick={() => setTyped(null)}>Discard</Button>
                    <Button type="submit" variant="main" disabled={save.isPending}>
                        Save
                    </Button>
                </div>
            )}
            {now.open === 'nobody' && typed === null && <Muted small>The site shows no link to make an account.</Muted>}
        </form>
    )
}
