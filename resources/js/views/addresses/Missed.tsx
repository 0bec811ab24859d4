import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import type { Span } from '../../api/addressQueries'
import { answered, api } from '../../api/client'
import { keys } from '../../api/queries'
import { useSite } from '../../app/site'
import { HitDays } from './HitDays'
import { Alert } from '../../ui/Alert'

/** How often a missed address was requested, and where those came from who asked. */
export function Missed({ address }: { address: string }) {
    const site = useSite()
    const [span, setSpan] = useState<Span>('day')
    const { data, error } = useQuery({
        queryKey: [...keys.addresses(site.key), 'missed', address, span],
        placeholderData: keepPreviousData,
        queryFn: () =>
            answered(
                api.GET('/sites/{site}/addresses/missed', {
                    params: { path: { site: site.key }, query: { address, span } },
                }),
            ),
    })
    if (error !== null) return <Alert>{error.message}</Alert>
    return data === undefined ? null : (
        <HitDays {...data} word="request" none="Nobody has requested it" span={span} onSpan={setSpan} />
    )
}
