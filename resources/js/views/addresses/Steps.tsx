import { useQuery } from '@tanstack/react-query'
import { answered, api } from '../../api/client'
import { keys } from '../../api/queries'
import { useSite } from '../../app/site'
import { Hops } from './Hops'
import { ReadFailure } from '../../ui/ReadFailure'

/** What visitors get at an address, step by step. */
export function Steps({ address }: { address: string }) {
    const site = useSite()
    const steps = useQuery({
        queryKey: [...keys.addresses(site.key), 'steps', address],
        queryFn: () =>
            answered(
                api.POST('/sites/{site}/addresses/tried', {
                    params: { path: { site: site.key } },
                    body: { text: address },
                }),
            ),
    })
    const way = steps.data?.[0]
    return way === undefined ? (
        <ReadFailure of={steps} />
    ) : (
        <section aria-label="Steps">
            <h3 className="mb-1.5 font-semibold">What visitors get</h3>
            <Hops trace={way} />
        </section>
    )
}
