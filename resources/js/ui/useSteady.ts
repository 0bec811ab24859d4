import { useLayoutEffect, useState } from 'react'

type Handlers = Record<string, (...given: never[]) => unknown>

/** The same object for good, whose functions do what the latest ones given do. For children that are drawn anew only when something of theirs changed. */
export function useSteady<T extends Handlers>(handlers: T): T {
    const [{ steady, put }] = useState(() => {
        let latest = handlers
        return {
            steady: Object.fromEntries(
                Object.keys(handlers).map(name => [name, (...given: never[]) => latest[name]?.(...given)]),
            ) as T,
            put: (now: T) => {
                latest = now
            },
        }
    })
    useLayoutEffect(() => put(handlers))
    return steady
}
