import { useMutation } from '@tanstack/react-query'
import { useState } from 'react'
import { answered, api, type Schemas } from '../../api/client'
import { notify } from '../../app/notify'
import { useSite } from '../../app/site'
import { Button } from '../../ui/Button'
import { HandOver } from '../../app/HandOver'

/** Sends an invitation once more. */
export function InviteAgain({ person }: { person: Schemas['Person'] }) {
    const site = useSite()
    const [link, setLink] = useState<string | null>(null)
    const again = useMutation({
        mutationFn: () =>
            answered(
                api.POST('/sites/{site}/people/{person}/invitation', {
                    params: { path: { site: site.key, person: person.id } },
                }),
            ),
        onSuccess: invited =>
            invited.link === null ? notify.success(`Sent to ${person.name} once more.`) : setLink(invited.link),
        onError: failed => notify.error(failed.message),
    })
    return (
        <>
            <Button
                variant="quiet"
                aria-label={`Invite again: ${person.name}`}
                disabled={again.isPending}
                onClick={() => again.mutate()}
            >
                Invite again
            </Button>
            {link !== null && <HandOver name={person.name} link={link} onClose={() => setLink(null)} />}
        </>
    )
}
