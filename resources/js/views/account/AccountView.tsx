import { useQuery } from '@tanstack/react-query'
import { Link } from '@tanstack/react-router'
import { ConfirmIt } from '../../app/ConfirmIt'
import { Notices } from '../../app/notify'
import { useConfirming } from '../../app/useConfirming'
import { PageTitle } from '../../ui/PageTitle'
import { ReadFailure } from '../../ui/ReadFailure'
import { Details } from './Details'
import { LastAtTheDoor } from './LastAtTheDoor'
import { accountQuery } from './queries'
import { SecondStep } from './SecondStep'
import { Sessions } from './Sessions'
import { Tokens } from './Tokens'

/** One's own account: what one is called, how one signs in, where one is signed in, and tokens. */
export function AccountView() {
    const account = useQuery(accountQuery)
    const [asked, answer] = useConfirming()
    const lacks = account.data?.secondStep.isNeeded === true && account.data.secondStep.since === null
    return (
        <main className="h-full overflow-y-auto">
            <div className="mx-auto grid max-w-[720px] gap-9 px-4 py-6">
                <div className="flex items-baseline gap-4">
                    <PageTitle>Your account</PageTitle>
                    {!lacks && (
                        <Link to="/" className="ml-auto font-semibold text-heron hover:underline">
                            Back to the site
                        </Link>
                    )}
                </div>
                <ReadFailure of={account} />
                {account.data !== undefined && (
                    <>
                        {lacks && (
                            <p role="status" className="rounded bg-amber-soft px-3 py-2 text-amber">
                                A role of yours needs a second step to sign in. Set it up here; until then nothing else
                                is open to you.
                            </p>
                        )}
                        <SecondStep account={account.data} />
                        <Details account={account.data} />
                        <Sessions account={account.data} />
                        <Tokens account={account.data} />
                        <LastAtTheDoor lines={account.data.log} />
                    </>
                )}
            </div>
            {asked && <ConfirmIt onAnswer={answer} />}
            <Notices />
        </main>
    )
}
