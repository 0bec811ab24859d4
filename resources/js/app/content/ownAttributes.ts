import { Extension } from '@tiptap/react'

/** Blocks that may be hidden, named for links, or set in a style of the design. */
export const blockTypes = [
    'paragraph',
    'heading',
    'bulletList',
    'orderedList',
    'blockquote',
    'picture',
    'columns',
    'table',
    'callout',
    'fold',
    'button',
    'divider',
    'codeBlock',
    'gallery',
    'video',
    'pages',
    'file',
]

/** What every block may carry. Absent where nothing is set, so that what is sent is what the format keeps. */
export const OwnAttributes = Extension.create({
    name: 'ownAttributes',
    addGlobalAttributes() {
        return [
            {
                types: blockTypes,
                attributes: {
                    hidden: {
                        default: null,
                        keepOnSplit: false,
                        parseHTML: element => (element.hasAttribute('data-hidden') ? true : null),
                        renderHTML: ({ hidden }) => (hidden === true ? { 'data-hidden': '' } : {}),
                    },
                    anchor: {
                        default: null,
                        keepOnSplit: false,
                        // A pasted copy would have the same name as its original; the name stays with that.
                        parseHTML: () => null,
                        renderHTML: ({ anchor }) => (typeof anchor === 'string' ? { 'data-anchor': anchor } : {}),
                    },
                    style: {
                        default: null,
                        keepOnSplit: false,
                        parseHTML: element => element.getAttribute('data-style'),
                        renderHTML: ({ style }) =>
                            typeof style === 'string' ? { 'data-style': style, class: `style-${style}` } : {},
                    },
                },
            },
        ]
    },
})
