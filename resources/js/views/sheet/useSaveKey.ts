import { useEffect, useRef } from 'react'

/** Ctrl/Cmd+S saves, wherever the focus is, while there is something to save. */
export function useSaveKey(save: (() => void) | null) {
    const latest = useRef(save)
    useEffect(() => {
        latest.current = save
    })
    useEffect(() => {
        const typed = (event: KeyboardEvent) => {
            if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 's') {
                event.preventDefault()
                latest.current?.()
            }
        }
        addEventListener('keydown', typed)
        return () => removeEventListener('keydown', typed)
    }, [])
}
