import { useQueryClient } from '@tanstack/react-query'
import { useNavigate } from '@tanstack/react-router'
import { Layers2 } from 'lucide-react'
import { keys } from '../api/queries'
import { Button } from '../ui/Button'
import { workIn } from './planned'
import { useSite } from './site'
import { useWorked } from './useWorked'

/** Says all the while that one works in a plan, and how to leave it. */
export function InPlan() {
    const site = useSite()
    const plan = useWorked(site.key)
    const queries = useQueryClient()
    const navigate = useNavigate()
    if (plan === null) return null
    return (
        <div
            role="status"
            className="flex items-center gap-3 border-b border-line bg-heron-soft px-4 py-1.5 text-heron"
        >
            <Layers2 size={16} aria-hidden className="shrink-0" />
            <span className="min-w-0 truncate">
                You work in the plan <b>{plan.name}</b>. You see the site as it would be; visitors see nothing of it.
            </span>
            <Button
                variant="quiet"
                className="ml-auto"
                onClick={() =>
                    void navigate({ to: '/s/$site/plans', params: { site: site.key }, search: { plan: plan.id } })
                }
            >
                See what is prepared
            </Button>
            <Button
                onClick={() => {
                    workIn(null)
                    void queries.resetQueries({ queryKey: keys.site(site.key) })
                }}
            >
                Leave the plan
            </Button>
        </div>
    )
}
