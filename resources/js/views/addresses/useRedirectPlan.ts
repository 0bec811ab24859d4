import { useQuery } from '@tanstack/react-query'
import { ApiProblem } from '../../api/client'
import { planOf } from '../../app/batches'
import type { Change } from '../../app/changes'
import { useSite } from '../../app/site'
import { useDebounced } from '../../ui/useDebounced'
import { changeOf, isFull, type Draft } from './draft'

/** Fields of the form that show their own reason when what they hold is not taken. */
const fields = ['redirect', 'source', 'address', 'leadsTo', 'from', 'until', 'note', 'pause.seconds']
const named = (field: string) => `changes.0.${field}`

/** What a redirect would hide, break or lead round, and what is not taken of it, planned anew as it is typed. */
export function useRedirectPlan(kind: 'make-redirect' | 'change-redirect', draft: Draft, enabled: boolean) {
    const site = useSite()
    const asked = useDebounced(JSON.stringify(changeOf(kind, draft)), 200)
    const { data, error } = useQuery({
        queryKey: ['redirect-planned', site.key, asked],
        queryFn: () => planOf(site.key, { batch: { changes: [JSON.parse(asked) as Change] } }),
        enabled: isFull(draft) && enabled,
        retry: false,
        staleTime: 0,
    })
    const failure = isFull(draft) ? error : null
    const errors = failure instanceof ApiProblem ? (failure.problem.errors ?? []) : []
    return {
        ripple: failure === null ? data : undefined,
        /** Why what a field holds is not taken. */
        reasonOf: (...of: string[]) => errors.find(each => of.some(field => each.field === named(field)))?.reason,
        /** What went wrong and belongs to no field that is shown. */
        otherwise:
            failure !== null && errors.length === 0
                ? failure.message
                : errors.find(each => !fields.some(field => each.field === named(field)))?.reason,
    }
}
