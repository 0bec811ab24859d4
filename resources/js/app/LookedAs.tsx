import { useMutation, useQueryClient } from '@tanstack/react-query'
import { Eye } from 'lucide-react'
import { answered, api } from '../api/client'
import { Button } from '../ui/Button'
import { useSite } from './site'

/** Says all the while as whom one looks, and how to stop. */
export function LookedAs({ name }: { name: string }) {
    const site = useSite()
    const queries = useQueryClient()
    const stop = useMutation({
        mutationFn: () => answered(api.DELETE('/sites/{site}/looking-as', { params: { path: { site: site.key } } })),
        onSuccess: () => queries.invalidateQueries(),
    })
    return (
        <div
            role="status"
            className="flex items-center gap-3 border-b border-line bg-amber-soft px-4 py-1.5 text-amber"
        >
            <Eye size={16} aria-hidden className="shrink-0" />
            <span>
                You look at this site as <b>{name}</b>. You see what they see and cannot change anything.
            </span>
            <Button className="ml-auto" onClick={() => stop.mutate()}>
                Stop viewing
            </Button>
        </div>
    )
}
