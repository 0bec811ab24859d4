import { useEffect, useState } from 'react'

/** A value that follows after it has been still for a while (ms). */
export function useDebounced<T>(value: T, wait: number): T {
    const [settled, setSettled] = useState(value)
    useEffect(() => {
        const timer = setTimeout(() => setSettled(value), wait)
        return () => clearTimeout(timer)
    }, [value, wait])
    return settled
}
