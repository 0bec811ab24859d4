import { useMemo, useState } from 'react'

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
