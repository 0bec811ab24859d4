import type { Editor, JSONContent } from '@tiptap/react'

/** Puts a block behind the one with the caret, or in its place where that is blank. Nothing that is selected goes. */
export function insertBlock(editor: Editor, block: JSONContent) {
    const { $to } = editor.state.selection
    const isBlank = $to.depth > 0 && $to.node(1).isTextblock && $to.node(1).content.size === 0
    const at = $to.depth === 0 ? $to.pos : isBlank ? { from: $to.before(1), to: $to.after(1) } : $to.after(1)
    editor.chain().insertContentAt(at, block).focus().run()
}
