import { Suspense, useEffect, useState, type ComponentType, type ReactNode } from 'react'

/**
 * A part that is fetched when it is first shown, and shown as soon as it is there: React's own way holds back what comes
 * soon after something else by a third of a second, which is time to aim at what then moves. What pushes others aside
 * names what keeps its place `meanwhile`.
 */
export function lazily<P extends object>(
    load: () => Promise<ComponentType<P>>,
    meanwhile: ReactNode = null,
): ComponentType<P> {
    const known: { part: ComponentType<P> | null } = { part: null }
    return function Lazily(props: P) {
        const [{ part: Part, failure }, set] = useState<{ part: ComponentType<P> | null; failure?: unknown }>({
            ...known,
        })
        useEffect(() => {
            if (Part !== null) return
            let isAsked = true
            load().then(
                part => {
                    known.part = part
                    if (isAsked) set({ part })
                },
                (failed: unknown) => isAsked && set({ part: null, failure: failed }),
            )
            return () => {
                isAsked = false
            }
        }, [Part])
        if (failure !== undefined) throw failure
        return Part === null ? (
            meanwhile
        ) : (
            <Suspense fallback={meanwhile}>
                <Part {...props} />
            </Suspense>
        )
    }
}
