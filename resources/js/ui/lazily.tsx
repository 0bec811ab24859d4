import { lazy, Suspense, type ComponentType } from 'react'

/** A part that is fetched when it is first shown; nothing stands in its place while it comes. */
export function lazily<P extends object>(load: () => Promise<ComponentType<P>>): ComponentType<P> {
    const Part = lazy(() => load().then(part => ({ default: part })))
    return function Lazily(props: P) {
        return (
            <Suspense fallback={null}>
                <Part {...props} />
            </Suspense>
        )
    }
}
