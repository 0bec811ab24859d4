import {
    cloneElement,
    lazy,
    Suspense,
    useSyncExternalStore,
    type FocusEvent,
    type PointerEvent,
    type ReactElement,
} from 'react'

export type Side = 'bottom' | 'right' | 'top'
export type OpenHint = { anchor: HTMLElement; description: string; side: Side }

/** How long a pointer rests before a hint opens, ms. */
const DELAY = 350

let open: OpenHint | null = null
let timer: ReturnType<typeof setTimeout> | undefined
const listeners = new Set<() => void>()

function show(hint: OpenHint | null) {
    clearTimeout(timer)
    open = hint
    listeners.forEach(listener => listener())
}

type Trigger = ReactElement<{
    onPointerEnter?: (event: PointerEvent<HTMLElement>) => void
    onPointerLeave?: (event: PointerEvent<HTMLElement>) => void
    onPointerDown?: (event: PointerEvent<HTMLElement>) => void
    onFocus?: (event: FocusEvent<HTMLElement>) => void
    onBlur?: (event: FocusEvent<HTMLElement>) => void
}>

/**
 * A word on hover and focus. The trigger keeps its own name for readers. There are hints in every row and few are ever
 * read, so that one layer shows them all, and is fetched with the first.
 */
export function Hint({
    description,
    children,
    side = 'bottom',
}: {
    description: string
    children: Trigger
    side?: Side
}) {
    const own = children.props
    return cloneElement(children, {
        onPointerEnter: event => {
            own.onPointerEnter?.(event)
            const anchor = event.currentTarget
            clearTimeout(timer)
            if (event.pointerType !== 'touch')
                timer = setTimeout(() => {
                    // What has opened a menu meanwhile, or is gone, needs no word.
                    if (anchor.isConnected && anchor.dataset['state'] !== 'open') show({ anchor, description, side })
                }, DELAY)
        },
        onPointerLeave: event => {
            own.onPointerLeave?.(event)
            show(null)
        },
        onPointerDown: event => {
            own.onPointerDown?.(event)
            show(null)
        },
        onFocus: event => {
            own.onFocus?.(event)
            if (event.currentTarget.matches(':focus-visible')) show({ anchor: event.currentTarget, description, side })
        },
        onBlur: event => {
            own.onBlur?.(event)
            show(null)
        },
    })
}

const Layer = lazy(() => import('./HintLayer').then(module => ({ default: module.HintLayer })))

/** Where hints are shown: once in the application. */
export function Hints() {
    const shown = useSyncExternalStore(
        listener => {
            listeners.add(listener)
            return () => void listeners.delete(listener)
        },
        () => open,
    )
    return shown === null ? null : (
        <Suspense fallback={null}>
            <Layer {...shown} onClose={() => show(null)} />
        </Suspense>
    )
}
