import { Mark } from '@tiptap/react'

const element = (name: string, tag: string) =>
    Mark.create({
        name,
        parseHTML: () => [{ tag }],
        renderHTML: ({ HTMLAttributes }) => [tag, HTMLAttributes, 0],
    })

export const Superscript = element('superscript', 'sup').extend({ excludes: 'subscript' })
export const Subscript = element('subscript', 'sub').extend({ excludes: 'superscript' })

/** A style of the design for a piece of text. */
export const StyleMark = Mark.create({
    name: 'style',
    addAttributes() {
        return {
            name: {
                default: null,
                parseHTML: element => element.getAttribute('data-text-style'),
                renderHTML: ({ name }) => ({ 'data-text-style': String(name), class: `style-${String(name)}` }),
            },
        }
    },
    parseHTML: () => [{ tag: 'span[data-text-style]' }],
    renderHTML: ({ HTMLAttributes }) => ['span', HTMLAttributes, 0],
})
