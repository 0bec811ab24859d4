import { useEditorState, type Editor } from '@tiptap/react'
import clsx from 'clsx'
import { Bold, Image, Italic, Link2, List, ListOrdered, Quote } from 'lucide-react'
import { useState, type ReactNode } from 'react'
import { Hint } from '../../../ui/Hint'
import { LinkDialog, type Link } from './LinkDialog'
import { PictureUpload } from './PictureUpload'
import { toolClasses } from './toolClasses'

/** What can be done to the text, each named on hover. */
export function Toolbar({ editor, site }: { editor: Editor; site: string }) {
    const [linking, setLinking] = useState(false)
    const on = useEditorState({
        editor,
        selector: ({ editor: now }) => ({
            level: [2, 3, 4].find(level => now.isActive('heading', { level })) ?? 0,
            bold: now.isActive('bold'),
            italic: now.isActive('italic'),
            link: now.isActive('link'),
            bullets: now.isActive('bulletList'),
            numbers: now.isActive('orderedList'),
            quote: now.isActive('blockquote'),
            href: String(now.getAttributes('link').href ?? ''),
        }),
    })
    const then = () => editor.chain().focus()
    const link = (to: Link | null) => {
        const chain = then().extendMarkRange('link')
        if (to === null) chain.unsetMark('link').run()
        else chain.setMark('link', to).run()
        setLinking(false)
    }
    return (
        <div role="toolbar" aria-label="Formatting" className="flex flex-wrap items-center gap-0.5">
            <select
                aria-label="Kind of block"
                value={on.level}
                onChange={event => blockOf(editor, Number(event.target.value))}
                className="mr-1 h-7 rounded border border-edge bg-sheet px-1 text-[13px]"
            >
                <option value={0}>Text</option>
                <option value={2}>Heading</option>
                <option value={3}>Smaller heading</option>
                <option value={4}>Smallest heading</option>
            </select>
            <Tool description="Bold" on={on.bold} act={() => then().toggleBold().run()}>
                <Bold size={15} aria-hidden />
            </Tool>
            <Tool description="Italic" on={on.italic} act={() => then().toggleItalic().run()}>
                <Italic size={15} aria-hidden />
            </Tool>
            <Tool description="List" on={on.bullets} act={() => then().toggleBulletList().run()}>
                <List size={15} aria-hidden />
            </Tool>
            <Tool description="Numbered list" on={on.numbers} act={() => then().toggleOrderedList().run()}>
                <ListOrdered size={15} aria-hidden />
            </Tool>
            <Tool description="Quote" on={on.quote} act={() => then().toggleBlockquote().run()}>
                <Quote size={15} aria-hidden />
            </Tool>
            <Tool description="Link" on={on.link} act={() => setLinking(true)}>
                <Link2 size={15} aria-hidden />
            </Tool>
            <PictureUpload editor={editor} site={site} icon={<Image size={15} aria-hidden />} />
            {linking && <LinkDialog site={site} now={on.href} onClose={() => setLinking(false)} onTake={link} />}
        </div>
    )
}

function blockOf(editor: Editor, level: number) {
    const chain = editor.chain().focus()
    if (level === 2 || level === 3 || level === 4) chain.setHeading({ level }).run()
    else chain.setParagraph().run()
}

function Tool({
    description,
    on,
    act,
    children,
}: {
    description: string
    on: boolean
    act: () => void
    children: ReactNode
}) {
    return (
        <Hint description={description}>
            <button
                type="button"
                aria-label={description}
                aria-pressed={on}
                onMouseDown={event => event.preventDefault()}
                onClick={act}
                className={clsx(toolClasses, on && 'bg-heron-soft text-heron')}
            >
                {children}
            </button>
        </Hint>
    )
}
