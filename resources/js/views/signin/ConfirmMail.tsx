import { useMutation, useQueryClient } from '@tanstack/react-query'
import { Link } from '@tanstack/react-router'
import { answered, api } from '../../api/client'
import { keys } from '../../api/queries'
import { Alert } from '../../ui/Alert'
import { Button } from '../../ui/Button'
import { Muted } from '../../ui/Muted'

/** Where the link leads that went to another mail address: whoever reads it there says that it is theirs. */
export function ConfirmMail({ token, email }: { token: string; email: string }) {
    const queries = useQueryClient()
    const confirm = useMutation({
        mutationFn: () => answered(api.POST('/account-links/{token}/confirmed', { params: { path: { token } } })),
        onSuccess: () => queries.invalidateQueries({ queryKey: keys.session }),
    })
    return (
        <div className="grid w-[380px] max-w-full gap-4">
            <h1 className="text-[26px] leading-8 font-bold">
                {confirm.isSuccess ? 'Your mail address is confirmed' : 'Confirm your mail address'}
            </h1>
            <Muted>
                {confirm.isSuccess
                    ? `You sign in with ${email} from now on.`
                    : `You sign in with ${email} once you have confirmed it.`}
            </Muted>
            {confirm.isError && <Alert>{confirm.error.message}</Alert>}
            {confirm.isSuccess ? (
                <Link to="/" className="font-semibold text-heron underline">
                    Go on
                </Link>
            ) : (
                <Button variant="main" className="h-9" disabled={confirm.isPending} onClick={() => confirm.mutate()}>
                    Confirm this address
                </Button>
            )}
        </div>
    )
}
