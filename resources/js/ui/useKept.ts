import { useCallback, useState } from 'react'

/** State that outlives its dialog, for as long as the tab is open: nothing typed is lost by closing. Null forgets it. */
export function useKept<T>(key: string, first: T): [T, (value: T | null) => void] {
    const [value, setValue] = useState<T>(() => {
        const kept = sessionStorage.getItem(key)
        return kept === null ? first : (JSON.parse(kept) as T)
    })
    const set = useCallback(
        (next: T | null) => {
            setValue(next ?? first)
            try {
                if (next === null) sessionStorage.removeItem(key)
                else sessionStorage.setItem(key, JSON.stringify(next))
            } catch {
                // More than the browser keeps: it lasts as long as the dialog does.
                sessionStorage.removeItem(key)
            }
        },
        [key, first],
    )
    return [value, set]
}
