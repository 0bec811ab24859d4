import { useMutation, useQueryClient } from '@tanstack/react-query'
import { answered, api, type Schemas } from '../../api/client'
import { keys } from '../../api/queries'
import { notify } from '../../app/notify'
import { useSite } from '../../app/site'
import { Button } from '../../ui/Button'

/** Lets somebody in no longer, from this moment on, and again. */
export function LetIn({ person }: { person: Schemas['Person'] }) {
    const site = useSite()
    const queries = useQueryClient()
    const isOut = person.isDisabled === true
    const turn = useMutation({
        mutationFn: () => {
            const of = { params: { path: { site: site.key, person: person.id } } }
            return answered(
                isOut
                    ? api.DELETE('/sites/{site}/people/{person}/disabled', of)
                    : api.PUT('/sites/{site}/people/{person}/disabled', of),
            )
        },
        onSuccess: async () => {
            notify.success(isOut ? `${person.name} can sign in again.` : `${person.name} can no longer sign in.`)
            await queries.invalidateQueries({ queryKey: keys.site(site.key) })
        },
        onError: problem => notify.error(problem.message),
    })
    return (
        <Button
            variant="quiet"
            aria-label={`${isOut ? 'Enable' : 'Disable'} ${person.name}`}
            disabled={turn.isPending}
            onClick={() => turn.mutate()}
        >
            {isOut ? 'Enable' : 'Disable'}
        </Button>
    )
}
