import { lazy, Suspense, useSyncExternalStore, type ReactNode } from 'react'
import type { ExternalToast } from 'sonner'

/** The notices are fetched with the first of them; what is said before they stand is said once they do. */
let wanted = false
let stand: () => void = () => undefined
const standing = new Promise<void>(resolve => (stand = resolve))
const listeners = new Set<() => void>()
const subscribe = (listener: () => void) => {
    listeners.add(listener)
    return () => void listeners.delete(listener)
}

async function say(how: 'success' | 'error' | 'message', text: ReactNode, options?: ExternalToast) {
    wanted = true
    listeners.forEach(listener => listener())
    await standing
    const { toast } = await import('sonner')
    toast[how](text, options)
}

export const notify = {
    /** Something was done. */
    success: (text: ReactNode, options?: ExternalToast) => void say('success', text, options),
    /** Something was not done, and why. */
    error: (text: ReactNode) => void say('error', text),
    message: (text: ReactNode) => void say('message', text),
}

const Toasts = lazy(() => import('./Toasts').then(module => ({ default: module.Toasts })))

/** Where notices are shown. */
export function Notices() {
    const shown = useSyncExternalStore(subscribe, () => wanted)
    return shown ? (
        <Suspense fallback={null}>
            <Toasts onStanding={stand} />
        </Suspense>
    ) : null
}
