import { useMemo, useState } from 'react'
import type { Row } from './rows'

/** So many marks go into the address; more are kept in this browser, and the address says under which name. */
const IN_ADDRESS = 30
const KEPT = 'kept-'

/** Marked pages: in the address, so that they survive reload and can be shared. */
export function useMarks(
    site: string,
    marked: string | undefined,
    set: (change: { marked?: string | undefined }) => void,
) {
    const key = `heronstem.marks.${site}`
    const [anchor, setAnchor] = useState<string | null>(null)
    const ids = useMemo(() => {
        const written = marked?.startsWith(KEPT) === true ? (sessionStorage.getItem(key) ?? '') : (marked ?? '')
        return written.split(',').filter(Boolean)
    }, [key, marked])
    const marks = useMemo(() => new Set(ids), [ids])
    const put = (now: string[]) => {
        if (now.length > IN_ADDRESS) sessionStorage.setItem(key, now.join(','))
        set({
            marked:
                now.length === 0
                    ? undefined
                    : now.length > IN_ADDRESS
                      ? `${KEPT}${now.length}-${Date.now().toString(36)}`
                      : now.join(','),
        })
    }
    return { marks, ids, put, anchor, setAnchor }
}

type Marking = ReturnType<typeof useMarks> & { rows: Row[]; active: string | undefined }

/** Marks one row or no longer, or all from the last one that was marked to this one. */
export function markRow(
    { marks, ids, put, anchor, setAnchor, rows, active }: Marking,
    how: 'turn' | 'range',
    index: number,
) {
    const row = rows[index]
    if (row?.kind !== 'page') return
    if (how === 'turn') {
        setAnchor(row.key)
        put(marks.has(row.key) ? ids.filter(id => id !== row.key) : [...ids, row.key])
        return
    }
    const from = rows.findIndex(each => each.key === (anchor ?? active))
    if (anchor === null && active !== undefined) setAnchor(active)
    const range = rows
        .slice(Math.min(from, index), Math.max(from, index) + 1)
        .flatMap(each => (each.kind === 'page' ? [each.key] : []))
    put([...new Set([...ids.filter(id => !rows.some(each => each.key === id)), ...range])])
}
