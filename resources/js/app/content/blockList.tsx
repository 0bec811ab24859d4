import type { Editor } from '@tiptap/react'
import {
    Clapperboard,
    Columns2,
    FileText,
    Heading2,
    Heading3,
    Heading4,
    Image,
    Images,
    LayoutList,
    List,
    ListCollapse,
    ListOrdered,
    MessageSquareWarning,
    Minus,
    Pilcrow,
    Quote,
    RectangleHorizontal,
    Repeat2,
    SquareCode,
    Table2,
    type LucideIcon,
} from 'lucide-react'
import { settable, type Settable } from './blocks'
import { insertBlock } from './insertBlock'
import type { OpenSettings } from './settings'

export type BlockChoice = {
    name: string
    hint: string
    icon: LucideIcon
    /** What people may also call it. */
    also: string
    /** Puts it in, or opens its settings. */
    put: (editor: Editor, open: (settings: OpenSettings) => void) => void
}

const paragraph = (text?: string) => ({
    type: 'paragraph',
    ...(text === undefined ? {} : { content: [{ type: 'text', text }] }),
})

const set = (type: Settable) => (_: Editor, open: (settings: OpenSettings) => void) =>
    open({ type, attrs: settable[type], at: null })

const heading = (level: 2 | 3 | 4) => (editor: Editor) => void editor.chain().focus().setHeading({ level }).run()

const columns = (count: number) => (editor: Editor) =>
    insertBlock(editor, {
        type: 'columns',
        content: Array.from({ length: count }, () => ({ type: 'column', content: [paragraph()] })),
    })

/** Every block that can be put in, as the list shows them. */
export const blockList: { group: string; choices: BlockChoice[] }[] = [
    {
        group: 'Text',
        choices: [
            {
                name: 'Text',
                hint: 'A paragraph',
                icon: Pilcrow,
                also: 'paragraph normal',
                put: editor => void editor.chain().focus().setParagraph().run(),
            },
            { name: 'Heading', hint: 'Begins a part of the page', icon: Heading2, also: 'title h2', put: heading(2) },
            {
                name: 'Smaller heading',
                hint: 'Begins a part of a part',
                icon: Heading3,
                also: 'subheading h3',
                put: heading(3),
            },
            { name: 'Smallest heading', hint: 'One step further down', icon: Heading4, also: 'h4', put: heading(4) },
            {
                name: 'List',
                hint: 'With bullets',
                icon: List,
                also: 'bullets points',
                put: editor => void editor.chain().focus().toggleBulletList().run(),
            },
            {
                name: 'Numbered list',
                hint: 'Steps, or an order',
                icon: ListOrdered,
                also: 'ordered steps',
                put: editor => void editor.chain().focus().toggleOrderedList().run(),
            },
            {
                name: 'Quote',
                hint: 'What somebody said',
                icon: Quote,
                also: 'blockquote citation',
                put: editor => void editor.chain().focus().setBlockquote().run(),
            },
            {
                name: 'Code',
                hint: 'Shown exactly as typed',
                icon: SquareCode,
                also: 'preformatted monospace',
                put: editor => void editor.chain().focus().setCodeBlock().run(),
            },
        ],
    },
    {
        group: 'Side by side',
        choices: [
            {
                name: 'Two columns',
                hint: 'Stacked on a phone',
                icon: Columns2,
                also: 'side beside grid',
                put: columns(2),
            },
            {
                name: 'Three columns',
                hint: 'Stacked on a phone',
                icon: Columns2,
                also: 'side beside grid',
                put: columns(3),
            },
            {
                name: 'Table',
                hint: 'Rows and columns; paste one from a spreadsheet',
                icon: Table2,
                also: 'grid spreadsheet',
                put: set('table'),
            },
        ],
    },
    {
        group: 'Call-outs and buttons',
        choices: [
            {
                name: 'Call-out',
                hint: 'A note, a tip or a warning',
                icon: MessageSquareWarning,
                also: 'box notice alert hint',
                put: editor => insertBlock(editor, { type: 'callout', content: [paragraph()] }),
            },
            {
                name: 'Expandable question',
                hint: 'The answer opens on a click',
                icon: ListCollapse,
                also: 'faq accordion details',
                put: editor =>
                    insertBlock(editor, {
                        type: 'fold',
                        content: [{ type: 'foldQuestion' }, { type: 'foldAnswer', content: [paragraph()] }],
                    }),
            },
            {
                name: 'Button',
                hint: 'A link that stands by itself',
                icon: RectangleHorizontal,
                also: 'link action',
                put: set('button'),
            },
            {
                name: 'Divider',
                hint: 'A line between two parts',
                icon: Minus,
                also: 'line rule separator',
                put: editor => insertBlock(editor, { type: 'divider' }),
            },
        ],
    },
    {
        group: 'Pictures and files',
        choices: [
            {
                name: 'Picture',
                hint: 'With its text, width and caption',
                icon: Image,
                also: 'image photo',
                put: set('picture'),
            },
            {
                name: 'Gallery',
                hint: 'Several pictures, as a grid or slides',
                icon: Images,
                also: 'images slides carousel',
                put: set('gallery'),
            },
            {
                name: 'Video',
                hint: 'Of your own, or from another site',
                icon: Clapperboard,
                also: 'film movie clip',
                put: set('video'),
            },
            {
                name: 'File',
                hint: 'To download, with its kind and size',
                icon: FileText,
                also: 'document pdf download',
                put: set('file'),
            },
            {
                name: 'Shared piece',
                hint: 'Written once, shown on many pages',
                icon: Repeat2,
                also: 'snippet reusable block',
                put: set('shared'),
            },
            {
                name: 'List of pages',
                hint: 'Cards or a list, kept up to date',
                icon: LayoutList,
                also: 'cards children teasers',
                put: set('pages'),
            },
        ],
    },
]
