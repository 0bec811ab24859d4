import { useMutation } from '@tanstack/react-query'
import { useRef } from 'react'

/** Work that takes a while and can be stopped: what was stopped is no problem to tell. */
export function useStoppable<T, Of = void>(work: (signal: AbortSignal, of: Of) => Promise<T>) {
    const stop = useRef<AbortController>(null)
    const running = useMutation({
        mutationFn: (of: Of) => {
            stop.current = new AbortController()
            return work(stop.current.signal, of)
        },
    })
    return {
        ...running,
        problem: running.error?.name === 'AbortError' ? null : running.error,
        stop: () => stop.current?.abort(),
    }
}
