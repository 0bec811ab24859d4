import type { Editor, JSONContent } from '@tiptap/react'
import { TextSelection } from '@tiptap/pm/state'
import { currentBlock } from './moving'

/**
 * Puts a block behind the one with the caret, or in its place where that is blank, and the caret into it. Columns go behind
 * whatever stands on the page itself. Nothing that is selected goes.
 */
export function insertBlock(editor: Editor, block: JSONContent) {
    const { state } = editor
    const { $from } = state.selection
    const onPage = block.type === 'columns'
    const at = onPage && $from.depth > 0 ? $from.before(1) : currentBlock(state)
    const node = at === null ? null : state.doc.nodeAt(at)
    const isBlank = node?.isTextblock === true && node.content.size === 0 && (!onPage || $from.depth === 1)
    const to = at === null || node === null ? state.selection.to : isBlank ? at : at + node.nodeSize
    editor
        .chain()
        .insertContentAt(isBlank && node !== null ? { from: to, to: to + node.nodeSize } : to, block)
        .command(({ tr, dispatch }) => {
            const put = tr.doc.nodeAt(to)
            if (dispatch !== undefined && put !== null && !put.isAtom)
                tr.setSelection(TextSelection.near(tr.doc.resolve(to + 1)))
            return true
        })
        .focus()
        .run()
}
