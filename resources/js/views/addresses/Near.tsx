import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { answered, api } from '../../api/client'
import { keys } from '../../api/queries'
import { ulid } from '../../api/ulid'
import { useChanges } from '../../app/changes'
import { useSite } from '../../app/site'
import { Button } from '../../ui/Button'
import { ReadFailure } from '../../ui/ReadFailure'

/** Pages that somebody who asked for a missed address may have wanted, and what can be done about it. */
export function Near({
    address,
    writes,
    onRedirect,
    onMade,
    onIgnored,
}: {
    address: string
    writes: boolean
    onRedirect: (source: string) => void
    onMade: (redirect: string) => void
    onIgnored: () => void
}) {
    const site = useSite()
    const queries = useQueryClient()
    const proposals = useQuery({
        queryKey: [...keys.addresses(site.key), 'near', address],
        queryFn: () =>
            answered(
                api.GET('/sites/{site}/addresses/near', { params: { path: { site: site.key }, query: { address } } }),
            ),
    })
    const near = proposals.data ?? []
    const { propose } = useChanges()
    // One step: it is said what was made, and the same notice undoes it.
    const send = (page: string) => {
        const redirect = ulid()
        void propose({
            title: `Redirecting ${address}`,
            act: 'Redirect it',
            batch: {
                changes: [
                    {
                        kind: 'make-redirect',
                        redirect,
                        source: address,
                        leadsTo: { page },
                        note: 'Requested, nothing found',
                    },
                ],
            },
            now: true,
            done: () => onMade(redirect),
        })
    }
    const ignore = useMutation({
        mutationFn: () =>
            answered(
                api.POST('/sites/{site}/addresses/ignored', {
                    params: { path: { site: site.key } },
                    body: { address },
                }),
            ),
        onSuccess: async () => {
            await queries.invalidateQueries({ queryKey: keys.addresses(site.key) })
            onIgnored()
        },
    })
    return (
        <section aria-label="Proposals">
            <h3 className="mb-1 font-semibold">
                {near.length === 0 && proposals.isSuccess ? 'No page is much like it' : 'They may have wanted'}
            </h3>
            <ReadFailure of={proposals} />
            <ul className="grid gap-1">
                {near.map(page => (
                    <li key={page.id} className="flex items-center gap-2">
                        <span className="min-w-0 flex-1">
                            <b className="block truncate font-medium">{page.name}</b>
                            <span className="block truncate font-mono text-[12px] text-ink-3">{page.address}</span>
                        </span>
                        {page.confidence !== null && (
                            <span
                                className={`text-[12px] ${page.confidence >= 0.9 ? 'text-reed' : 'text-ink-3'}`}
                                title={page.why}
                            >
                                {Math.round(page.confidence * 100)} % sure
                            </span>
                        )}
                        {writes && (
                            <Button aria-label={`Send on to ${page.name}`} onClick={() => send(page.id)}>
                                Send on
                            </Button>
                        )}
                    </li>
                ))}
            </ul>
            {writes && (
                <div className="mt-2 flex gap-2">
                    <Button onClick={() => onRedirect(address)}>Make a redirect…</Button>
                    <Button onClick={() => ignore.mutate()}>Ignore it</Button>
                </div>
            )}
        </section>
    )
}
