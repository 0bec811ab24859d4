import { useQuery } from '@tanstack/react-query'
import { answered, api } from '../../api/client'
import { keys } from '../../api/queries'
import { useSite } from '../../app/site'
import { HitDays } from './HitDays'
import { Alert } from '../../ui/Alert'

/** How often an address was asked for in vain, day by day, and where those who asked came from. */
export function Missed({ address }: { address: string }) {
    const site = useSite()
    const { data, error } = useQuery({
        queryKey: [...keys.addresses(site.key), 'missed', address],
        queryFn: () =>
            answered(
                api.GET('/sites/{site}/addresses/missed', { params: { path: { site: site.key }, query: { address } } }),
            ),
    })
    if (error !== null) return <Alert>{error.message}</Alert>
    return data === undefined ? null : <HitDays {...data} word="request" none="Nobody has requested it" />
}
