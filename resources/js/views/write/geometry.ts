import type { EditorView } from '@tiptap/pm/view'

/** Where something stands in the frame, px from its top left corner. */
export type Box = { top: number; left: number; right: number; bottom: number }

/** The box of the block at a place; null while it is not drawn. */
export function boxOf(view: EditorView, at: number): Box | null {
    const dom = view.nodeDOM(at)
    // Nodes of the frame belong to its window, so that they are no elements of this one.
    if (dom?.nodeType !== 1) return null
    // A picture beside text is drawn without the box that the editor puts around it.
    const drawn = (dom as Element).querySelector('[data-box]') ?? (dom as Element)
    if (!drawn.isConnected) return null
    const { top, left, right, bottom } = drawn.getBoundingClientRect()
    return { top, left, right, bottom }
}

/** A gap between blocks that a dragged one could go to. */
export type Gap = { to: number; y: number; left: number; right: number }

/** Every gap between blocks, on the page itself and in columns, call-outs and answers. */
export function gapsOf(view: EditorView): Gap[] {
    const gaps: Gap[] = []
    const rooms = new Set(['doc', 'column', 'callout', 'foldAnswer', 'blockquote'])
    const add = (start: number, parent: { forEach: EditorView['state']['doc']['forEach'] }) => {
        let last: Gap | null = null
        parent.forEach((child, offset) => {
            const at = start + offset
            const box = boxOf(view, at)
            if (box !== null) {
                gaps.push({ to: at, y: box.top - 6, left: box.left, right: box.right })
                last = { to: at + child.nodeSize, y: box.bottom + 6, left: box.left, right: box.right }
            }
            child.descendants((inner, within) => {
                if (!rooms.has(inner.type.name)) return inner.isBlock && !inner.isTextblock
                add(at + within + 2, inner)
                return false
            })
            if (rooms.has(child.type.name)) add(at + 1, child)
        })
        if (last !== null) gaps.push(last)
    }
    add(0, view.state.doc)
    return gaps
}

/** The gap nearest to a point: those beside it count before those above and below. */
export function nearestGap(gaps: Gap[], x: number, y: number): Gap | null {
    let best: Gap | null = null
    let least = Infinity
    for (const gap of gaps) {
        const aside = x < gap.left ? gap.left - x : x > gap.right ? x - gap.right : 0
        const distance = Math.abs(gap.y - y) + aside * 3
        if (distance < least) [best, least] = [gap, distance]
    }
    return best
}
