import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useNavigate } from '@tanstack/react-router'
import { answered, api } from '../../api/client'
import { notify } from '../../app/notify'
import { useSite } from '../../app/site'
import { Button } from '../../ui/Button'

/** Looks at the editor as a role or a person would have it. */
export function LookAs({ who, name }: { who: string; name: string }) {
    const site = useSite()
    const queries = useQueryClient()
    const navigate = useNavigate()
    const look = useMutation({
        mutationFn: () =>
            answered(api.PUT('/sites/{site}/looking-as', { params: { path: { site: site.key } }, body: { who } })),
        onSuccess: async () => {
            await navigate({ to: '/s/$site/outline', params: { site: site.key } })
            await queries.invalidateQueries()
        },
        onError: problem => notify.error(problem.message),
    })
    return (
        <Button variant="quiet" aria-label={`View as… ${name}`} disabled={look.isPending} onClick={() => look.mutate()}>
            View as…
        </Button>
    )
}
