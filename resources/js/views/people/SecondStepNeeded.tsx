import { useMutation, useQueryClient } from '@tanstack/react-query'
import { answered, api } from '../../api/client'
import { keys } from '../../api/queries'
import { notify } from '../../app/notify'
import { useSite } from '../../app/site'
import { Choice } from '../../ui/Choice'

type Props = { role: string; name: string; isNeeded: boolean }

/** Whether whoever has the role needs a second step to sign in. */
export function SecondStepNeeded({ role, name, isNeeded }: Props) {
    const site = useSite()
    const queries = useQueryClient()
    const set = useMutation({
        mutationFn: (needed: boolean) =>
            answered(
                api.PUT('/sites/{site}/roles/{role}/second-step', {
                    params: { path: { site: site.key, role } },
                    body: { isNeeded: needed },
                }),
            ),
        onSuccess: () => queries.invalidateQueries({ queryKey: keys.site(site.key) }),
        onError: problem => notify.error(problem.message),
    })
    return (
        <Choice
            className="h-[30px] shrink-0 text-[13px] text-ink-2"
            checked={isNeeded}
            disabled={set.isPending}
            aria-label={`Second step needed for ${name}`}
            onChange={event => set.mutate(event.target.checked)}
        >
            needs a second step
        </Choice>
    )
}
