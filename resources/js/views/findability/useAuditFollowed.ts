import { useQuery, useQueryClient } from '@tanstack/react-query'
import { useEffect, useRef } from 'react'
import { keys } from '../../api/queries'
import { auditQuery } from './queries'

/** Reads findings and grid anew once the pages that a change concerns have been looked at, which happens behind it. */
export function useAuditFollowed(site: string) {
    const queries = useQueryClient()
    const waiting = useQuery(auditQuery(site)).data?.waiting ?? 0
    const had = useRef(0)
    useEffect(() => {
        if (had.current > 0 && waiting === 0)
            for (const part of ['findings', 'search-grid', 'links'])
                void queries.invalidateQueries({ queryKey: [...keys.site(site), part] })
        had.current = waiting
    }, [queries, site, waiting])
}
