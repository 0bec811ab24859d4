import type { Schemas } from '../../api/client'

export type StructureNode = Schemas['StructureNode']
/** A page in the picture: its place, and how thick the stem to it is. */
export type Drawn = { node: StructureNode; x: number; y: number; thick: number; parent: Drawn | null; within: string[] }

const COLUMN = 230
const LINE = 24

/**
 * Lays the pages out as stems that part from left to right: one column a level, one line a leaf,
 * every parent in the middle of its children, stems as thick as their branch is large.
 */
export function layOut(nodes: StructureNode[]): { drawn: Drawn[]; width: number; height: number } {
    const ids = new Set(nodes.map(node => node.id))
    const children = new Map<string | null, StructureNode[]>()
    for (const node of nodes) {
        const key = node.parent !== null && ids.has(node.parent) ? node.parent : null
        children.set(key, [...(children.get(key) ?? []), node])
    }
    const largest = Math.max(1, ...nodes.map(node => node.size))
    const drawn: Drawn[] = []
    let line = 0
    let deepest = 0
    const place = (node: StructureNode, level: number, parent: Drawn | null): Drawn => {
        deepest = Math.max(deepest, level)
        const me: Drawn = {
            node,
            x: 20 + level * COLUMN,
            y: 0,
            thick: 1 + 9 * Math.sqrt(node.size / largest),
            parent,
            within: parent === null ? [] : [...parent.within, parent.node.id],
        }
        drawn.push(me)
        const below = (children.get(node.id) ?? []).map(child => place(child, level + 1, me))
        me.y = below.length === 0 ? 20 + line++ * LINE : ((below[0]?.y ?? 0) + (below.at(-1)?.y ?? 0)) / 2
        return me
    }
    for (const node of children.get(null) ?? []) place(node, 0, null)
    return { drawn, width: 40 + (deepest + 1) * COLUMN, height: 40 + line * LINE }
}

/** As much of a name as a column holds. */
export const label = ({ name }: StructureNode) => (name.length > 24 ? `${name.slice(0, 23)}…` : name)

/** From behind a parent's label to its child's mark, leaving and arriving level. */
export function stem(from: Drawn, to: Drawn) {
    const written = label(from.node).length * 7.1 + String(from.node.size).length * 8 + 10
    const start = Math.min(from.x + from.thick / 2 + 12 + written, to.x - 40)
    const middle = (start + to.x) / 2
    return `M${start} ${from.y}C${middle} ${from.y} ${middle} ${to.y} ${to.x - 8} ${to.y}`
}

export type Tint = 'state' | 'changed'
const states: Record<string, string> = {
    live: 'var(--reed)',
    draft: 'var(--ink-3)',
    review: 'var(--heron)',
    offline: 'var(--amber)',
    bin: 'var(--berry)',
}

/** The colour of a page's mark; what it means stands beside the picture in words. */
export function tintOf({ state, changed }: StructureNode, tint: Tint, now = Date.now()) {
    if (tint === 'state') return states[state] ?? 'var(--ink-3)'
    const days = (now - new Date(changed).getTime()) / 86_400_000
    return days < 7 ? 'var(--heron)' : days < 60 ? 'var(--reed)' : days < 365 ? 'var(--amber)' : 'var(--ink-3)'
}

export const legends: Record<Tint, [string, string][]> = {
    state: [
        ['var(--reed)', 'live'],
        ['var(--ink-3)', 'draft'],
        ['var(--heron)', 'in review'],
        ['var(--amber)', 'offline'],
    ],
    changed: [
        ['var(--heron)', 'this week'],
        ['var(--reed)', 'two months'],
        ['var(--amber)', 'this year'],
        ['var(--ink-3)', 'longer ago'],
    ],
}
