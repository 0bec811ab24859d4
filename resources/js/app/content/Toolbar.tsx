import { useEditorState, type Editor } from '@tiptap/react'
import { Image, List, ListOrdered, Plus, Quote } from 'lucide-react'
import { useState } from 'react'
import { Button } from '../../ui/Button'
import { settable } from './blocks'
import { BlockPalette } from './BlockPalette'
import { InlineTools } from './InlineTools'
import type { OpenSettings } from './settings'
import { Tool } from './Tool'

type Props = { editor: Editor; onSettings: (settings: OpenSettings) => void }

/** What can be done to the content in the sheet, each named on hover. */
export function Toolbar({ editor, onSettings }: Props) {
    const [putting, setPutting] = useState(false)
    const on = useEditorState({
        editor,
        selector: ({ editor: now }) => ({
            level: [2, 3, 4].find(level => now.isActive('heading', { level })) ?? 0,
            bullets: now.isActive('bulletList'),
            numbers: now.isActive('orderedList'),
            quote: now.isActive('blockquote'),
        }),
    })
    const then = () => editor.chain().focus()
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
            <InlineTools editor={editor} />
            <Tool description="List" on={on.bullets} act={() => then().toggleBulletList().run()}>
                <List size={15} aria-hidden />
            </Tool>
            <Tool description="Numbered list" on={on.numbers} act={() => then().toggleOrderedList().run()}>
                <ListOrdered size={15} aria-hidden />
            </Tool>
            <Tool description="Quote" on={on.quote} act={() => then().toggleBlockquote().run()}>
                <Quote size={15} aria-hidden />
            </Tool>
            <Tool
                description="Picture"
                on={false}
                act={() => onSettings({ type: 'picture', attrs: settable.picture, at: null })}
            >
                <Image size={15} aria-hidden />
            </Tool>
            <Button variant="quiet" className="ml-1" onClick={() => setPutting(true)}>
                <Plus size={15} aria-hidden />
                Block
            </Button>
            {putting && <BlockPalette editor={editor} onClose={() => setPutting(false)} onSettings={onSettings} />}
        </div>
    )
}

function blockOf(editor: Editor, level: number) {
    const chain = editor.chain().focus()
    if (level === 2 || level === 3 || level === 4) chain.setHeading({ level }).run()
    else chain.setParagraph().run()
}
