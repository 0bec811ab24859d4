import { Extension, type Editor } from '@tiptap/react'
import type { ResolvedPos } from '@tiptap/pm/model'
import { NodeSelection, Selection, type EditorState, type Transaction } from '@tiptap/pm/state'
import { blockTypes } from './ownAttributes'

const isBlock = new Set(blockTypes)

/** The innermost block that the caret is in: its depth, or null where there is none. A list and a table count as one. */
export function blockDepth($pos: ResolvedPos): number | null {
    for (let depth = 1; depth <= $pos.depth; depth++) {
        const name = $pos.node(depth).type.name
        const goesOn = ['columns', 'column', 'callout', 'blockquote', 'fold', 'foldAnswer', 'foldQuestion'].includes(
            name,
        )
        if (!goesOn && isBlock.has(name)) return depth
    }
    for (let depth = $pos.depth; depth > 0; depth--) if (isBlock.has($pos.node(depth).type.name)) return depth
    return null
}

/** Where the block stands that is being worked in. */
export function currentBlock({ selection }: EditorState): number | null {
    if (selection instanceof NodeSelection && isBlock.has(selection.node.type.name)) return selection.from
    const depth = blockDepth(selection.$from)
    return depth === null ? null : selection.$from.before(depth)
}

/** Moves a block before or behind its neighbour; at the end of a column or call-out it stays. */
export function stepped(state: EditorState, at: number, direction: -1 | 1): Transaction | null {
    const $at = state.doc.resolve(at)
    const index = $at.index()
    const block = $at.parent.maybeChild(index)
    const neighbour = $at.parent.maybeChild(index + direction)
    if (block === null || neighbour === null || neighbour === undefined) return null
    const to = direction < 0 ? at - neighbour.nodeSize : at + neighbour.nodeSize
    const tr = state.tr.delete(at, at + block.nodeSize).insert(to, block)
    const { selection } = state
    // The caret goes along with the block that it is in; anywhere else it stays where it is.
    if (selection.from < at || selection.to > at + block.nodeSize) return tr
    return tr
        .setSelection(
            selection instanceof NodeSelection && selection.from === at
                ? NodeSelection.create(tr.doc, to)
                : Selection.near(tr.doc.resolve(to + selection.from - at)),
        )
        .scrollIntoView()
}

/** Moves a block to another place of the document. What it leaves must not be left without any block. */
export function moved(state: EditorState, from: number, to: number): Transaction | null {
    const block = state.doc.nodeAt(from)
    if (block === null || (to >= from && to <= from + block.nodeSize)) return null
    const $to = state.doc.resolve(to)
    if (!$to.parent.canReplaceWith($to.index(), $to.index(), block.type)) return null
    const $from = state.doc.resolve(from)
    const blank = $from.parent.childCount === 1 ? state.schema.nodes.paragraph?.create() : undefined
    const tr = state.tr
    if (blank !== undefined) tr.replaceWith(from, from + block.nodeSize, blank)
    else tr.delete(from, from + block.nodeSize)
    tr.insert(tr.mapping.map(to), block)
    return tr
}

const step = (editor: Editor, direction: -1 | 1) => {
    const at = currentBlock(editor.state)
    const tr = at === null ? null : stepped(editor.state, at, direction)
    if (tr !== null) editor.view.dispatch(tr)
    return true
}

export const moveKeys = Extension.create({
    name: 'moveKeys',
    addKeyboardShortcuts() {
        return {
            'Alt-ArrowUp': () => step(this.editor, -1),
            'Alt-ArrowDown': () => step(this.editor, 1),
        }
    },
})
