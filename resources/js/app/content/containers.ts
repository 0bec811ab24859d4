import { mergeAttributes, Node } from '@tiptap/react'

const choice = (name: string, first: string) => ({
    [name]: {
        default: first,
        parseHTML: (element: HTMLElement) => element.getAttribute(`data-${name}`) ?? first,
        renderHTML: (attrs: Record<string, unknown>) => ({ [`data-${name}`]: String(attrs[name]) }),
    },
})

/** Two to four columns; only on the page itself. */
export const Columns = Node.create({
    name: 'columns',
    content: 'column{2,4}',
    isolating: true,
    addAttributes: () => choice('share', 'equal'),
    parseHTML: () => [{ tag: 'div[data-columns]' }],
    renderHTML({ node, HTMLAttributes }) {
        const share = String(node.attrs.share)
        const classes = `columns columns-${node.childCount}${share === 'equal' ? '' : ` columns-${share}`}`
        return ['div', mergeAttributes(HTMLAttributes, { 'data-columns': '', class: classes }), 0]
    },
})

export const Column = Node.create({
    name: 'column',
    content: 'block+',
    isolating: true,
    parseHTML: () => [{ tag: 'div[data-column]' }],
    renderHTML: () => ['div', { 'data-column': '' }, 0],
})

/** A note, a tip or a warning. */
export const Callout = Node.create({
    name: 'callout',
    group: 'block',
    content: 'block+',
    defining: true,
    addAttributes: () => choice('tone', 'note'),
    parseHTML: () => [{ tag: 'div[data-tone]' }],
    renderHTML: ({ node, HTMLAttributes }) => [
        'div',
        mergeAttributes(HTMLAttributes, { class: `callout callout-${String(node.attrs.tone)}` }),
        0,
    ],
})

/** A question whose answer folds out. While it is written both are open. */
export const Fold = Node.create({
    name: 'fold',
    group: 'block',
    content: 'foldQuestion foldAnswer',
    defining: true,
    isolating: true,
    addAttributes: () => ({
        open: {
            default: false,
            parseHTML: element => element.hasAttribute('data-open'),
            renderHTML: ({ open }) => (open === true ? { 'data-open': '' } : {}),
        },
    }),
    parseHTML: () => [{ tag: 'div[data-fold]' }],
    renderHTML: ({ HTMLAttributes }) => [
        'div',
        mergeAttributes(HTMLAttributes, { 'data-fold': '', 'data-room-block': '', class: 'fold' }),
        0,
    ],
    addKeyboardShortcuts() {
        return {
            // From the question on to the answer; a question is one line.
            Enter: () => {
                const { $from } = this.editor.state.selection
                if ($from.parent.type.name !== 'foldQuestion') return false
                return this.editor
                    .chain()
                    .setTextSelection($from.after() + 2)
                    .run()
            },
        }
    },
})

export const FoldQuestion = Node.create({
    name: 'foldQuestion',
    content: 'inline*',
    defining: true,
    selectable: false,
    parseHTML: () => [{ tag: 'div[data-question]' }, { tag: 'summary' }],
    renderHTML: () => ['div', { 'data-question': '', class: 'room-question' }, 0],
})

export const FoldAnswer = Node.create({
    name: 'foldAnswer',
    content: 'block+',
    defining: true,
    selectable: false,
    parseHTML: () => [{ tag: 'div[data-answer]' }],
    renderHTML: () => ['div', { 'data-answer': '' }, 0],
})

/** A line between what belongs apart. */
export const Divider = Node.create({
    name: 'divider',
    group: 'block',
    parseHTML: () => [{ tag: 'hr' }],
    renderHTML: ({ HTMLAttributes }) => ['hr', HTMLAttributes],
})
