import { useMutation } from '@tanstack/react-query'
import { useRef } from 'react'

/** Work that takes a while and can be stopped: what was stopped is no problem to tell. */
export function useStoppable<T>(work: (signal: AbortSignal) => Promise<T>) {
    const stop = useRef<AbortController>(null)
    const running = useMutation({
        mutationFn: () => {
            stop.current = new AbortController()
            return work(stop.current.signal)
        },
    })
    return {
        ...running,
        problem: running.error?.name === 'AbortError' ? null : running.error,
        stop: () => stop.current?.abort(),
    }
}
