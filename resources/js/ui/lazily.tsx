import { lazy, Suspense, type ComponentType, type ReactNode } from 'react'

/**
 * A part that is fetched when it is first shown. What pushes others aside names what keeps its place `meanwhile`, so that
 * nothing moves under the pointer when it comes.
 */
export function lazily<P extends object>(
    load: () => Promise<ComponentType<P>>,
    meanwhile: ReactNode = null,
): ComponentType<P> {
    const Part = lazy(() => load().then(part => ({ default: part })))
    return function Lazily(props: P) {
        return (
            <Suspense fallback={meanwhile}>
                <Part {...props} />
            </Suspense>
        )
    }
}
