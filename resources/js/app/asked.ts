import { useEffect, useRef } from 'react'
import type { Named } from './pageActs'

/** What was chosen away from the view that does it: `move`, `new-redirect`; of a page, where it is done to one. */
export type Asked = { what: string; page?: Named; text?: string }

/** Milliseconds after which nobody is waited for any more. */
const WAITS = 5_000

let waiting: (Asked & { since: number }) | null = null
const heard = new EventTarget()

/** Asks whoever does it, or will be there in a moment: a view that is just being opened takes it as soon as it can. */
export function ask(asked: Asked) {
    waiting = { ...asked, since: Date.now() }
    heard.dispatchEvent(new Event('asked'))
}

/** Does what is asked for: `take` says of each whether it was this one's to do. Null while it cannot. */
export function useAsked(take: ((asked: Asked) => boolean) | null) {
    const latest = useRef(take)
    useEffect(() => {
        latest.current = take
        const look = () => {
            if (waiting === null || latest.current === null) return
            if (Date.now() - waiting.since > WAITS) waiting = null
            else if (latest.current(waiting)) waiting = null
        }
        look()
        heard.addEventListener('asked', look)
        return () => heard.removeEventListener('asked', look)
    })
}
