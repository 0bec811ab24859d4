import { useEffect, useRef } from 'react'

type Where = 'everywhere' | 'in-fields' | 'in-the-view'

/**
 * What was pressed, by what it writes and not by where it lies, so that it is the same on every layout: `mod+k`,
 * `mod+shift+z`, `?`. Ctrl and Cmd are both `mod`; Shift counts only with it, since alone it is part of writing a sign.
 */
export const pressed = ({
    key,
    ctrlKey,
    metaKey,
    altKey,
    shiftKey,
}: Pick<KeyboardEvent, 'key' | 'ctrlKey' | 'metaKey' | 'altKey' | 'shiftKey'>) => {
    const mod = ctrlKey || metaKey
    return `${mod ? 'mod+' : ''}${altKey ? 'alt+' : ''}${mod && shiftKey ? 'shift+' : ''}${key.toLowerCase()}`
}

/**
 * Runs what a key stands for, and keeps the browser from doing what it would with it. `in-the-view`: not while one writes
 * in a field or is in a dialog; `in-fields`: in fields too. A key that something in front has taken is left alone.
 */
export function useKey(key: string, run: (() => void) | null, where: Where = 'in-the-view') {
    const latest = useRef(run)
    useEffect(() => {
        latest.current = run
    })
    useEffect(() => {
        const typed = (event: KeyboardEvent) => {
            if (pressed(event) !== key || !holds(where, event)) return
            if (key !== 'escape') event.preventDefault()
            latest.current?.()
        }
        addEventListener('keydown', typed)
        return () => removeEventListener('keydown', typed)
    }, [key, where])
}

function holds(where: Where, { target, defaultPrevented }: KeyboardEvent) {
    // Several fields may listen for what holds everywhere, and only one of them have something to save.
    if (where === 'everywhere') return true
    if (defaultPrevented) return false
    if (!(target instanceof HTMLElement)) return true
    if (target.closest('[role=dialog], [role=alertdialog]') !== null) return false
    return where === 'in-fields' || !(target.isContentEditable || target.matches('input, textarea, select'))
}
