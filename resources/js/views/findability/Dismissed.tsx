import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { answered, api, type Schemas } from '../../api/client'
import { keys } from '../../api/queries'
import { useSite } from '../../app/site'
import { Alert } from '../../ui/Alert'
import { Button } from '../../ui/Button'
import { Modal } from '../../ui/Modal'
import { Muted } from '../../ui/Muted'
import { ReadFailure } from '../../ui/ReadFailure'
import { date } from '../../ui/time'
import { dismissalsQuery } from './queries'

/** Findings that were said to be no problem here, with the reason; each can be listed again. */
export function Dismissed({ onClose }: { onClose: () => void }) {
    const site = useSite()
    const queries = useQueryClient()
    const dismissed = useQuery(dismissalsQuery(site.key))
    const reinstate = useMutation({
        mutationFn: ({ page, check }: Schemas['Dismissal']) =>
            answered(
                api.DELETE('/sites/{site}/dismissals/{page}/{check}', {
                    params: { path: { site: site.key, page, check } },
                }),
            ),
        onSuccess: () => queries.invalidateQueries({ queryKey: keys.site(site.key) }),
    })
    return (
        <Modal open onClose={onClose} title="Dismissed findings" width={620}>
            <ReadFailure of={dismissed} />
            {reinstate.error !== null && <Alert>{reinstate.error.message}</Alert>}
            {dismissed.data?.length === 0 && (
                <Muted>None. A finding that is no problem on this site is dismissed where it is listed.</Muted>
            )}
            <ul>
                {dismissed.data?.map(each => (
                    <li key={`${each.page} ${each.check}`} className="flex items-start gap-3 border-t border-line py-2">
                        <span className="min-w-0 flex-1">
                            <b className="font-semibold">{each.name}</b>, {each.title.toLowerCase()}
                            <span className="block text-ink-2">{each.reason}</span>
                            <span className="block text-[12px] text-ink-3">
                                {each.person ?? 'Somebody'},{' '}
                                {each.until === null ? 'for good' : `asked again on ${date(each.until)}`}
                            </span>
                        </span>
                        {site.may('search') && (
                            <Button
                                variant="quiet"
                                disabled={reinstate.isPending}
                                onClick={() => reinstate.mutate(each)}
                            >
                                List it again
                            </Button>
                        )}
                    </li>
                ))}
            </ul>
        </Modal>
    )
}
