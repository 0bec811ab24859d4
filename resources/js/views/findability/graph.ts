import type { Schemas } from '../../api/client'

export type Graph = Schemas['LinkGraph']
export type GraphPage = Graph['pages'][number]

/** Of a page's circle, in units of the drawing. */
export const radiusOf = (page: GraphPage) => Math.min(8, 3 + Math.sqrt(page.weight) * 0.7)

/** Half the side of the square that holds the whole drawing, with room for the labels at its edge. */
export const reach = (graph: Graph) => (graph.rings.at(-1) ?? 0) + 100

/** Pages that lead to a page and that it leads to, by their positions. */
export function around(graph: Graph, page: number) {
    const into = new Set<number>()
    const out = new Set<number>()
    for (const [from, to] of [...graph.ways, ...graph.links]) {
        if (from === undefined || to === undefined) continue
        if (to === page) into.add(from)
        if (from === page) out.add(to)
    }
    return { into: [...into], out: [...out] }
}

/** Names stand outside of the circle of pages, on whichever side it is. */
export const isLeft = (page: GraphPage) => page.x < -1

/** Pages whose names have room beside them at this scale: the weightiest first, what is chosen before all. */
export function labelled(pages: readonly GraphPage[], scale: number, first: readonly number[] = []) {
    const height = 15 / scale
    const placed: { left: number; right: number; y: number }[] = []
    const shown: number[] = []
    const order = pages
        .map((_, n) => n)
        .sort((a, b) => rank(pages[b]) - rank(pages[a]) || a - b)
        .filter(n => !first.includes(n))
    for (const n of [...first, ...order]) {
        const page = pages[n]
        if (page === undefined) continue
        const wide = (Math.min(page.name.length, 28) * 7) / scale
        const left = isLeft(page) ? page.x - radiusOf(page) - wide : page.x + radiusOf(page)
        const box = { left, right: left + wide, y: page.y }
        const isFree = placed.every(
            other => Math.abs(other.y - box.y) >= height || other.right < box.left || other.left > box.right,
        )
        if (isFree || first.includes(n)) {
            placed.push(box)
            shown.push(n)
        }
        if (shown.length >= 250) break
    }
    return shown
}

const rank = (page: GraphPage | undefined) => (page === undefined ? 0 : page.weight + (page.clicks === 0 ? 1000 : 0))

/** A curve between two pages that bends towards the middle, so that links over the circle can be told apart. */
export function bend(from: GraphPage, to: GraphPage) {
    const x = ((from.x + to.x) / 2) * 0.6
    const y = ((from.y + to.y) / 2) * 0.6
    return `M${from.x} ${from.y}Q${x.toFixed(1)} ${y.toFixed(1)} ${to.x} ${to.y}`
}

/** Pages with a text in name or address, at most so many. */
export function found(pages: readonly GraphPage[], text: string, limit: number) {
    const asked = text.trim().toLowerCase()
    return pages
        .map((page, n) => ({ page, n }))
        .filter(({ page }) => asked !== '' && `${page.name} ${page.address}`.toLowerCase().includes(asked))
        .slice(0, limit)
}
