import { useState } from 'react'
import { answered, api } from '../../api/client'
import { Button } from '../../ui/Button'
import { Muted } from '../../ui/Muted'
import { ago, date } from '../../ui/time'
import { MakeToken } from './MakeToken'
import { Part } from './Part'
import { useAccountChange, type Account } from './queries'

/** Tokens by which programs act for one: made with fewer rights and an end, and ended. */
export function Tokens({ account }: { account: Account }) {
    const [makes, make] = useState(false)
    const end = useAccountChange((token: number) =>
        answered(api.DELETE('/account/tokens/{token}', { params: { path: { token } } })),
    )
    return (
        <Part
            title="Tokens"
            about="A program uses a token to act for you through the API, with no more rights than you have."
            act={
                <Button variant="quiet" onClick={() => make(true)}>
                    Make a token…
                </Button>
            }
        >
            {account.tokens.length === 0 && <Muted>You have none.</Muted>}
            <ul>
                {account.tokens.map(token => (
                    <li key={token.id} className="flex items-start gap-3 border-b border-line py-1.5">
                        <div className="min-w-0 flex-1">
                            <div className="font-semibold">{token.name}</div>
                            <div className="text-[13px] text-ink-2">
                                {token.rights === null ? 'all rights that you have' : token.rights.join(', ')}
                            </div>
                        </div>
                        <div className="text-right text-[13px] text-ink-3">
                            {token.expires === null ? 'no end' : `good until ${date(token.expires)}`}
                            <br />
                            {token.used === null ? 'never used' : `used ${ago(token.used)}`}
                        </div>
                        <Button variant="quiet" aria-label={`End ${token.name}`} onClick={() => end.mutate(token.id)}>
                            End
                        </Button>
                    </li>
                ))}
            </ul>
            {makes && <MakeToken onClose={() => make(false)} />}
        </Part>
    )
}
