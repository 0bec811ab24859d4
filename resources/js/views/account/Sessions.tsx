import { answered, api } from '../../api/client'
import { Button } from '../../ui/Button'
import { ago } from '../../ui/time'
import { deviceWords } from '../../app/device'
import { Part } from './Part'
import { useAccountChange, type Account } from './queries'

/** Where one is signed in; each ended by itself, or all but this one. */
export function Sessions({ account }: { account: Account }) {
    const end = useAccountChange((session: string) =>
        answered(api.DELETE('/account/sessions/{session}', { params: { path: { session } } })),
    )
    const endOthers = useAccountChange(() => answered(api.DELETE('/account/sessions')))
    return (
        <Part
            title="Where you are signed in"
            act={
                account.sessions.length > 1 && (
                    <Button variant="quiet" onClick={() => endOthers.mutate(undefined)}>
                        End all others
                    </Button>
                )
            }
        >
            <ul>
                {account.sessions.map(session => (
                    <li key={session.id} className="flex min-h-[34px] items-center gap-3 border-b border-line">
                        <span className="font-semibold">{deviceWords(session.device)}</span>
                        <span className="text-ink-3">{session.network}</span>
                        <span className="ml-auto text-[13px] text-ink-2">
                            {session.isThis ? 'this one' : ago(session.last)}
                        </span>
                        {!session.isThis && (
                            <Button
                                variant="quiet"
                                aria-label={`End: ${deviceWords(session.device)}, ${session.network}`}
                                onClick={() => end.mutate(session.id)}
                            >
                                End
                            </Button>
                        )}
                    </li>
                ))}
            </ul>
        </Part>
    )
}
