import { useState } from 'react'
import { answered, api } from '../../api/client'
import { Button } from '../../ui/Button'
import { count } from '../../ui/count'
import { lazily } from '../../ui/lazily'
import { date } from '../../ui/time'
import { Part } from './Part'
import { useAccountChange, type Account } from './queries'
import { WrittenCodes } from './WrittenCodes'

const SetUpDevice = lazily(() => import('./SetUpDevice').then(module => module.SetUpDevice))

/** A code of a device besides the password: set up, and taken away again. */
export function SecondStep({ account: { secondStep } }: { account: Account }) {
    const [setsUp, setUp] = useState(false)
    const [codes, setCodes] = useState<string[] | null>(null)
    const end = useAccountChange(() => answered(api.DELETE('/account/second-step')))
    const anew = useAccountChange(
        () => answered(api.POST('/account/recovery-codes')),
        made => setCodes(made.codes),
    )
    const isOn = secondStep.since !== null
    return (
        <Part
            title="Second step"
            about="A code from your device besides the password: a stolen password alone is then useless."
            act={
                isOn ? (
                    <Button variant="quiet" onClick={() => end.mutate(undefined)}>
                        Switch off
                    </Button>
                ) : (
                    <Button variant="main" onClick={() => setUp(true)}>
                        Set up…
                    </Button>
                )
            }
        >
            {isOn ? (
                <p className="flex flex-wrap items-center gap-x-3">
                    <span>
                        On since {date(secondStep.since ?? '')}. {count(secondStep.codesLeft, 'code')} left of those
                        that you wrote down.
                    </span>
                    <Button variant="quiet" onClick={() => anew.mutate(undefined)}>
                        Make new codes…
                    </Button>
                </p>
            ) : (
                <p className="text-ink-2">Off{secondStep.isNeeded && ', and a role of yours needs it'}.</p>
            )}
            {(end.error ?? anew.error) !== null && (
                <p role="alert" className="text-berry">
                    {(end.error ?? anew.error)?.message}
                </p>
            )}
            {setsUp && (
                <SetUpDevice
                    onClose={() => setUp(false)}
                    onCodes={made => {
                        setUp(false)
                        setCodes(made)
                    }}
                />
            )}
            {codes !== null && <WrittenCodes codes={codes} onClose={() => setCodes(null)} />}
        </Part>
    )
}
