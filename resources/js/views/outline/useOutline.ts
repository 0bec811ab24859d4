import { useQueries, useQuery } from '@tanstack/react-query'
import { useCallback, useMemo, useRef, useState } from 'react'
import { answered, api } from '../../api/client'
import { whole, type OutlineRow } from '../../api/rows'
import { branchQuery, keys } from '../../api/queries'
import { CHUNK, type Branch } from './rows'

type Piece = { parent: string | null; offset: number }

/** The known part of the tree: one first answer, then pieces of branches as they come into sight. */
export function useOutline(site: string, open: Set<string>) {
    const [pieces, setPieces] = useState<Piece[]>([])
    const [firstOpen] = useState(() => [...open].join(','))
    const first = useQuery({
        queryKey: keys.outline(site),
        queryFn: async ({ signal }) => {
            const outline = await answered(
                api.GET('/sites/{site}/outline', { params: { path: { site }, query: { open: firstOpen } }, signal }),
            )
            return {
                ...outline,
                branches: outline.branches.map(branch => ({ ...branch, rows: branch.rows.map(whole) })),
            }
        },
        // Reach is worked out beside the change: it is looked at again until it is there.
        refetchInterval: query =>
            query.state.data?.branches.some(branch => branch.rows.some(row => row.reachDue)) === true ? 2000 : false,
    })
    const missing = useMemo(() => {
        const known = new Set(first.data?.branches.map(branch => branch.parent))
        return [...open].filter(id => !known.has(id)).map((parent): Piece => ({ parent, offset: 0 }))
    }, [first.data, open])
    const asked = useMemo(() => {
        const wanted = [
            ...(first.data === undefined ? [] : missing),
            ...pieces.filter(piece => piece.parent === null || open.has(piece.parent)),
        ]
        return [...new Map(wanted.map(piece => [`${piece.parent ?? ''}:${piece.offset}`, piece])).values()]
    }, [first.data, missing, open, pieces])
    const fetched = useQueries({
        queries: asked.map(piece => ({
            ...branchQuery(site, piece.parent, piece.offset),
            refetchInterval: (query: { state: { data?: { rows: OutlineRow[] } | undefined } }) =>
                query.state.data?.rows.some(row => row.reachDue) === true ? 2000 : false,
        })),
        combine: useCallback(
            (
                results: {
                    data: { parent: string | null; total: number; offset: number; rows: Branch['rows'] } | undefined
                }[],
            ) => results.flatMap(result => result.data ?? []),
            [],
        ),
    })
    const branches = useMemo(() => {
        const map = new Map<string | null, Branch>()
        for (const piece of [...(first.data?.branches ?? []), ...fetched]) {
            const parent = piece.parent ?? null
            const branch = map.get(parent) ?? { total: piece.total, rows: [] }
            branch.total = piece.total
            piece.rows.forEach((row, i) => (branch.rows[piece.offset + i] = row))
            map.set(parent, branch)
        }
        return map
    }, [fetched, first.data])

    const seen = useRef(new Set<string>())
    /** Fetches the piece that holds a row which has come into sight. */
    const want = useCallback((parent: string | null, index: number) => {
        const offset = Math.floor(index / CHUNK) * CHUNK
        const key = `${parent ?? ''}:${offset}`
        if (seen.current.has(key)) return
        seen.current.add(key)
        setPieces(before => [...before, { parent, offset }])
    }, [])

    return {
        branches,
        counts: first.data?.counts,
        isPending: first.isPending,
        error: first.error,
        retry: first.refetch,
        want,
    }
}
