import { useEditorState, type Editor } from '@tiptap/react'
import { Bold, Highlighter, Italic, Link2, Subscript, Superscript } from 'lucide-react'
import { useState } from 'react'
import type { LinkAttrs } from './blocks'
import { LinkDialog } from './LinkDialog'
import { useKey } from '../../ui/useKey'
import { Tool } from './Tool'

/** What can be done to a piece of text. */
export function InlineTools({ editor }: { editor: Editor }) {
    const [linking, setLinking] = useState(false)
    const on = useEditorState({
        editor,
        selector: ({ editor: now }) => ({
            bold: now.isActive('bold'),
            italic: now.isActive('italic'),
            raised: now.isActive('superscript'),
            lowered: now.isActive('subscript'),
            marked: now.isActive('style', { name: 'marked' }),
            link: now.isActive('link') ? (now.getAttributes('link') as LinkAttrs) : null,
        }),
    })
    useKey('mod+shift+l', () => setLinking(true), 'in-fields')
    const then = () => editor.chain().focus()
    const link = (to: LinkAttrs | null) => {
        const chain = then().extendMarkRange('link')
        if (to === null) chain.unsetMark('link').run()
        else chain.unsetMark('link').setMark('link', to).run()
        setLinking(false)
    }
    return (
        <>
            <Tool description="Bold" on={on.bold} act={() => then().toggleBold().run()}>
                <Bold size={15} aria-hidden />
            </Tool>
            <Tool description="Italic" on={on.italic} act={() => then().toggleItalic().run()}>
                <Italic size={15} aria-hidden />
            </Tool>
            <Tool description="Link" on={on.link !== null} act={() => setLinking(true)}>
                <Link2 size={15} aria-hidden />
            </Tool>
            <Tool
                description="Highlight"
                on={on.marked}
                act={() => then().toggleMark('style', { name: 'marked' }).run()}
            >
                <Highlighter size={15} aria-hidden />
            </Tool>
            <Tool description="Superscript" on={on.raised} act={() => then().toggleMark('superscript').run()}>
                <Superscript size={15} aria-hidden />
            </Tool>
            <Tool description="Subscript" on={on.lowered} act={() => then().toggleMark('subscript').run()}>
                <Subscript size={15} aria-hidden />
            </Tool>
            {linking && <LinkDialog link={on.link} onClose={() => setLinking(false)} onTake={link} />}
        </>
    )
}
