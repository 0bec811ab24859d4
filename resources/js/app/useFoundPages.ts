import { useQuery } from '@tanstack/react-query'
import type { Schemas } from '../api/client'
import { goToQuery } from '../api/queries'
import { useDebounced } from '../ui/useDebounced'
import { useSite } from './site'

type Hits = Schemas['Hit'][]

const NONE: Hits = []

/**
 * Pages that fit what is typed. It is settled once all of the answer to just that is there: rows that came one after the other would move
 * while somebody aims at them, and what was found for other words must not be taken.
 */
export function useFoundPages(typed: string, isSearched = true) {
    const site = useSite()
    const asked = useDebounced(typed, 80)
    const found = useQuery({ ...goToQuery(site.key, asked), enabled: isSearched && asked !== '' })
    const isAnswered = found.isError || (found.isSuccess && !found.isPlaceholderData)
    const settled = isSearched && typed === asked && (asked === '' || isAnswered)
    return { asked, found, settled, hits: settled && asked !== '' ? (found.data ?? NONE) : NONE }
}
