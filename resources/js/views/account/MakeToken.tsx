import { useState } from 'react'
import { answered, api, ApiProblem, type Schemas } from '../../api/client'
import { notify } from '../../app/notify'
import { Alert } from '../../ui/Alert'
import { Button } from '../../ui/Button'
import { Choice } from '../../ui/Choice'
import { DialogActions } from '../../ui/DialogActions'
import { Field, inputClasses } from '../../ui/Field'
import { Modal } from '../../ui/Modal'
import { useAccountChange } from './queries'

type Right = Schemas['Right']

const rights: [Right, string][] = [
    ['see', 'see'],
    ['write', 'write'],
    ['structure', 'make and move'],
    ['publish', 'publish'],
    ['retire', 'retire'],
    ['menus', 'menus'],
    ['addresses', 'addresses'],
    ['search', 'search settings'],
    ['fields', 'layout fields'],
    ['files', 'files'],
    ['code', 'code'],
    ['access', 'access'],
    ['people', 'people'],
    ['settings', 'settings'],
]

/** Makes a token, and shows it this one time. */
export function MakeToken({ onClose }: { onClose: () => void }) {
    const [name, setName] = useState('')
    const [days, setDays] = useState('90')
    const [all, setAll] = useState(false)
    const [chosen, choose] = useState<Right[]>(['see'])
    const [token, setToken] = useState<string | null>(null)
    const make = useAccountChange(
        () =>
            answered(
                api.POST('/account/tokens', {
                    body: { name, days: Number(days) || 0, rights: all ? null : chosen },
                }),
            ),
        made => setToken(made.token),
    )
    const problem = make.error instanceof ApiProblem ? make.error : null
    if (token !== null)
        return (
            <Modal
                open
                alert
                onClose={onClose}
                title="Copy the token now"
                description="It is shown only here. Whoever has it acts as you, as far as its rights go."
            >
                <input
                    readOnly
                    aria-label="Token"
                    value={token}
                    className={`${inputClasses} font-mono text-[13px]`}
                    onFocus={event => event.target.select()}
                />
                <DialogActions className="mt-4">
                    <Button
                        onClick={() =>
                            void navigator.clipboard
                                .writeText(token)
                                .then(() => notify.success('Copied.'))
                                .catch(() =>
                                    notify.error('This browser does not allow copying here. Select it and copy it.'),
                                )
                        }
                    >
                        Copy
                    </Button>
                    <Button variant="main" onClick={onClose}>
                        Done
                    </Button>
                </DialogActions>
            </Modal>
        )
    return (
        <Modal open onClose={onClose} title="Make a token">
            <form
                noValidate
                className="grid gap-4"
                onSubmit={event => {
                    event.preventDefault()
                    make.mutate(undefined)
                }}
            >
                <Field
                    stacked
                    autoFocus
                    label="What it is for"
                    value={name}
                    error={problem?.reasonFor('name')?.reason}
                    onChange={event => setName(event.target.value)}
                />
                <Field
                    stacked
                    label="Valid for how many days"
                    inputMode="numeric"
                    value={days}
                    error={problem?.reasonFor('days')?.reason}
                    onChange={event => setDays(event.target.value)}
                />
                <fieldset className="grid gap-1.5">
                    <legend className="mb-1 font-semibold">What it may do</legend>
                    <Choice type="radio" name="rights" checked={!all} onChange={() => setAll(false)}>
                        Only this
                    </Choice>
                    {!all && (
                        <div className="grid grid-cols-3 gap-x-3 gap-y-1 pl-[22px]">
                            {rights.map(([right, label]) => (
                                <Choice
                                    key={right}
                                    checked={chosen.includes(right)}
                                    onChange={event =>
                                        choose(
                                            event.target.checked
                                                ? [...chosen, right]
                                                : chosen.filter(each => each !== right),
                                        )
                                    }
                                >
                                    {label}
                                </Choice>
                            ))}
                        </div>
                    )}
                    <Choice type="radio" name="rights" checked={all} onChange={() => setAll(true)}>
                        Everything that I may do, now and later
                    </Choice>
                </fieldset>
                {problem !== null && problem.problem.errors === undefined && <Alert>{problem.message}</Alert>}
                <DialogActions>
                    <Button onClick={onClose}>Cancel</Button>
                    <Button type="submit" variant="main" disabled={make.isPending}>
                        Make it
                    </Button>
                </DialogActions>
            </form>
        </Modal>
    )
}
