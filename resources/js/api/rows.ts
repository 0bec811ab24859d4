import type { Schemas } from './client'

/** A row of the outline with everything it says: what is dropped on the wire is its default. */
export type OutlineRow = Required<Omit<Schemas['OutlineRow'], 'match' | 'rights'>> &
    Pick<Schemas['OutlineRow'], 'match' | 'rights'>

const defaults = {
    listed: true,
    indexed: true,
    kind: 'page',
    title: 'pattern',
    picks: [] as string[],
    edited: false,
    start: false,
    leftOut: false,
    isProtected: false,
    pinned: false,
    leadsTo: null,
    from: null,
    until: null,
    reachDue: false,
    children: 0,
    linksIn: 0,
    layout: 'page',
} as const

export const whole = (row: Schemas['OutlineRow']): OutlineRow => ({ ...defaults, picks: [], ...row }) as OutlineRow
