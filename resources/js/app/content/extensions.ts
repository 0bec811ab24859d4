import { Node } from '@tiptap/react'
import StarterKit from '@tiptap/starter-kit'
import { Placeholder } from '@tiptap/extensions'
import { Callout, Column, Columns, Divider, Fold, FoldAnswer, FoldQuestion } from './containers'
import { LinkMark } from './LinkMark'
import { StyleMark, Subscript, Superscript } from './marks'
import { moveKeys } from './moving'
import { OwnAttributes } from './ownAttributes'
import { shownNode } from './ShownNode'
import { Table, TableCell, TableRoles, TableRow } from './table'

/** The page: blocks, and columns, which stand in nothing else. */
const Page = Node.create({ name: 'doc', topNode: true, content: '(block | columns)+' })

/** What the document format knows, and nothing else. */
export function extensions() {
    return [
        Page,
        StarterKit.configure({
            document: false,
            heading: { levels: [2, 3, 4] },
            strike: false,
            underline: false,
            horizontalRule: false,
            link: false,
            dropcursor: { width: 2 },
            // A blank paragraph at the end would be a change that nobody made.
            trailingNode: false,
            codeBlock: { defaultLanguage: null, enableTabIndentation: true },
        }),
        LinkMark,
        StyleMark,
        Superscript,
        Subscript,
        OwnAttributes,
        Columns,
        Column,
        Callout,
        Fold,
        FoldQuestion,
        FoldAnswer,
        Divider,
        TableRoles,
        Table,
        TableRow,
        TableCell,
        shownNode('picture'),
        shownNode('button'),
        shownNode('gallery'),
        shownNode('video'),
        shownNode('pages'),
        shownNode('file'),
        shownNode('shared'),
        moveKeys,
        Placeholder.configure({
            placeholder: ({ node }) =>
                node.type.name === 'foldQuestion'
                    ? 'Question'
                    : node.type.name === 'heading'
                      ? 'Heading'
                      : 'Write here, paste from elsewhere, or type / for a block.',
            includeChildren: false,
        }),
    ]
}
