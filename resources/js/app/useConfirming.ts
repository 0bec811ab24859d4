import { useCallback, useEffect, useRef, useState } from 'react'
import { onConfirm } from '../api/client'

/** Whether the password is asked for again, and how that is answered. Those who ask together are answered together. */
export function useConfirming(): [boolean, (isConfirmed: boolean) => void] {
    const [asked, setAsked] = useState(false)
    const waiting = useRef<((isConfirmed: boolean) => void)[]>([])
    useEffect(
        () =>
            onConfirm(
                () =>
                    new Promise(resolve => {
                        waiting.current.push(resolve)
                        setAsked(true)
                    }),
            ),
        [],
    )
    const answer = useCallback((isConfirmed: boolean) => {
        setAsked(false)
        waiting.current.splice(0).forEach(resolve => resolve(isConfirmed))
    }, [])
    return [asked, answer]
}
