import { useState, type MouseEvent } from 'react'

type At<Of> = { of: Of; x: number; y: number }

/** What was right-clicked, and where a menu for it opens: beside the pointer, or below it where a key asked for it. */
export function useAtPointer<Of>() {
    const [at, setAt] = useState<At<Of> | null>(null)
    return {
        at,
        open: (event: MouseEvent, of: Of) => {
            event.preventDefault()
            const box = event.currentTarget.getBoundingClientRect()
            const byKey = event.clientX === 0 && event.clientY === 0
            setAt({ of, x: byKey ? box.left + 8 : event.clientX, y: byKey ? box.bottom : event.clientY })
        },
        close: () => setAt(null),
    }
}

/** What a menu at the pointer hangs on. */
export function AtPointer({ x, y, label, ...rest }: { x: number; y: number; label: string }) {
    return (
        <button
            type="button"
            tabIndex={-1}
            aria-label={label}
            {...rest}
            className="fixed size-0"
            style={{ left: x, top: y }}
        />
    )
}
