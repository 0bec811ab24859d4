import { useQueries, useQueryClient } from '@tanstack/react-query'
import { gridQuery, PIECE, type GridFilter } from './queries'
import type { Row } from './gridEdits'

/** The rows that a filter finds, read a piece at a time where they come into sight. */
export function useGridRows(site: string, filter: GridFilter, first: number, last: number) {
    const queries = useQueryClient()
    const from = Math.floor(first / PIECE)
    const until = Math.max(from, Math.floor(last / PIECE))
    const wanted = [...new Set([0, ...Array.from({ length: until - from + 1 }, (_, n) => from + n)])]
    const pieces = useQueries({ queries: wanted.map(n => gridQuery(site, filter, n * PIECE)) })
    const total = pieces.find(piece => piece.data !== undefined)?.data?.total
    const at = (index: number): Row | undefined =>
        queries.getQueryData(gridQuery(site, filter, Math.floor(index / PIECE) * PIECE).queryKey)?.rows[index % PIECE]
    /** All rows from the beginning, without a gap, as far as they have been read. */
    const known = () => {
        const rows: Row[] = []
        for (let n = 0; ; n++) {
            const piece = queries.getQueryData(gridQuery(site, filter, n * PIECE).queryKey)
            if (piece === undefined || piece.rows.length === 0) return rows
            rows.push(...piece.rows)
        }
    }
    /** Reads everything that the filter finds. */
    const all = async () => {
        const rows: Row[] = []
        for (let n = 0; n * PIECE < (total ?? 0); n++)
            rows.push(...(await queries.fetchQuery(gridQuery(site, filter, n * PIECE))).rows)
        return rows
    }
    const failed = pieces.find(piece => piece.error !== null)
    return { total, at, known, all, failed }
}
