/** The plan that one works in, in this tab: what is read is read as the plan leaves it, and what is done becomes a step. */
export type Worked = { site: string; id: string; name: string }

const key = 'heronstem plan'
const listeners = new Set<() => void>()
let worked = JSON.parse(globalThis.sessionStorage?.getItem(key) ?? 'null') as Worked | null

export function workIn(plan: Worked | null) {
    worked = plan
    sessionStorage.setItem(key, JSON.stringify(plan))
    listeners.forEach(each => each())
}

/** The plan that one works in on a site, if any. */
export const workedOn = (site: string) => (worked?.site === site ? worked : null)

/** Calls back when another plan, or none, is worked in; returns how to stop. */
export function onWorked(listener: () => void) {
    listeners.add(listener)
    return () => void listeners.delete(listener)
}

/** The plan that a request of the API is about: of its site, and none of its own. */
export function planOfRequest(path: string) {
    const found = /^\/api\/v1\/sites\/([^/]+)\/(?!plans(?:\/|$))/.exec(path)
    return found?.[1] === undefined ? null : workedOn(found[1])
}
