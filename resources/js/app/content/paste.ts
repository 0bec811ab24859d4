import type { Editor } from '@tiptap/react'
import { answered, api } from '../../api/client'

/** Pasted HTML goes through the server, which keeps what the format knows and links pages by identity; plain text is the fallback. */
export function pasteFrom(event: ClipboardEvent, editor: Editor, site: string): boolean {
    const html = event.clipboardData?.getData('text/html') ?? ''
    const inside = html.includes('data-pm-slice')
    if (html === '' || inside) return false
    const plain = event.clipboardData?.getData('text/plain') ?? ''
    event.preventDefault()
    void answered(api.POST('/sites/{site}/pasted', { params: { path: { site } }, body: { html } }))
        .then(document => {
            const blocks = document.content as { type: string; content?: object[] }[]
            const only = blocks.length === 1 && blocks[0]?.type === 'paragraph' ? blocks[0].content : undefined
            editor
                .chain()
                .focus()
                .insertContent(only ?? blocks)
                .run()
        })
        .catch(() => editor.chain().focus().insertContent(plain).run())
    return true
}
