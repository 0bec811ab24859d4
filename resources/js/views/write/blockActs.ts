import type { Editor } from '@tiptap/react'
import { Fragment, type Node, Slice } from '@tiptap/pm/model'
import { NodeSelection } from '@tiptap/pm/state'
import { stepped } from '../../app/content/moving'

/** Sets attributes of the block at a place. */
export function setBlock(editor: Editor, at: number, attrs: Record<string, unknown>) {
    const node = editor.state.doc.nodeAt(at)
    if (node !== null) editor.view.dispatch(editor.state.tr.setNodeMarkup(at, null, { ...node.attrs, ...attrs }))
    editor.view.focus()
}

export function removeBlock(editor: Editor, at: number) {
    const { doc, schema, tr } = editor.state
    const node = doc.nodeAt(at)
    if (node === null) return
    const alone = doc.resolve(at).parent.childCount === 1
    const blank = alone ? schema.nodes.paragraph?.create() : undefined
    editor.view.dispatch(
        blank === undefined ? tr.delete(at, at + node.nodeSize) : tr.replaceWith(at, at + node.nodeSize, blank),
    )
    editor.view.focus()
}

export function duplicateBlock(editor: Editor, at: number) {
    const node = editor.state.doc.nodeAt(at)
    if (node === null) return
    editor.view.dispatch(editor.state.tr.insert(at + node.nodeSize, unnamed(node)))
    editor.view.focus()
}

/** The same without the names of places in it: a name leads to one place. */
function unnamed(node: Node): Node {
    if (node.isText) return node
    const attrs = 'anchor' in node.attrs ? { ...node.attrs, anchor: null } : node.attrs
    return node.type.create(attrs, Fragment.from(node.children.map(unnamed)), node.marks)
}

export function moveBlock(editor: Editor, at: number, direction: -1 | 1) {
    const tr = stepped(editor.state, at, direction)
    if (tr !== null) editor.view.dispatch(tr)
    editor.view.focus()
}

/** Copies the block as the editor itself copies, so that it can be pasted into another page whole. */
export async function copyBlock(editor: Editor, at: number) {
    const node = editor.state.doc.nodeAt(at)
    if (node === null) return
    const { dom, text } = editor.view.serializeForClipboard(new Slice(Fragment.from(node), 0, 0))
    await navigator.clipboard.write([
        new ClipboardItem({
            'text/html': new Blob([dom.innerHTML], { type: 'text/html' }),
            'text/plain': new Blob([text], { type: 'text/plain' }),
        }),
    ])
}

const mayStandInColumns = (node: Node | null | undefined): node is Node =>
    node !== null && node !== undefined && node.type.name !== 'columns'

/** Whether a block of the page can be put beside the one before it, and the two are then columns. */
export function canStandBeside(editor: Editor, at: number): boolean {
    const $at = editor.state.doc.resolve(at)
    return $at.depth === 0 && mayStandInColumns($at.nodeBefore) && mayStandInColumns($at.nodeAfter)
}

export function putBeside(editor: Editor, at: number) {
    const { doc, schema, tr } = editor.state
    const $at = doc.resolve(at)
    const [before, node] = [$at.nodeBefore, $at.nodeAfter]
    const { columns, column } = schema.nodes
    if (before === null || node === null || columns === undefined || column === undefined) return
    const both = columns.create(null, [column.create(null, before), column.create(null, node)])
    editor.view.dispatch(tr.replaceWith(at - before.nodeSize, at + node.nodeSize, both))
    editor.view.focus()
}

export function addColumn(editor: Editor, at: number) {
    const { doc, schema, tr } = editor.state
    const node = doc.nodeAt(at)
    const column = schema.nodes.column?.createAndFill()
    if (node === null || column === null || column === undefined || node.childCount >= 4) return
    editor.view.dispatch(tr.insert(at + node.nodeSize - 1, column))
    editor.view.focus()
}

/** What stood in columns stands on the page again, one below the other. */
export function dissolveColumns(editor: Editor, at: number) {
    const { doc, tr } = editor.state
    const node = doc.nodeAt(at)
    if (node === null) return
    const blocks: Node[] = []
    node.forEach(column =>
        column.forEach(block => void (block.content.size > 0 || block.isAtom ? blocks.push(block) : 0)),
    )
    const first = node.firstChild?.firstChild
    const all = blocks.length === 0 && first ? [first] : blocks
    editor.view.dispatch(tr.replaceWith(at, at + node.nodeSize, all))
    editor.view.focus()
}

/** Where the block of a kind starts that stands around a place, or stands there itself. */
export function around(editor: Editor, at: number, type: string): number | null {
    if (editor.state.doc.nodeAt(at)?.type.name === type) return at
    const $at = editor.state.doc.resolve(at)
    for (let depth = $at.depth; depth > 0; depth--) if ($at.node(depth).type.name === type) return $at.before(depth)
    return null
}

export function selectBlock(editor: Editor, at: number) {
    const { doc, tr } = editor.state
    if (doc.nodeAt(at) !== null) editor.view.dispatch(tr.setSelection(NodeSelection.create(doc, at)))
}
