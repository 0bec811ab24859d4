import { Mark, mergeAttributes } from '@tiptap/react'

const text = (name: string) => ({
    default: null,
    parseHTML: (element: HTMLElement) => element.getAttribute(`data-${name}`),
    renderHTML: (attrs: Record<string, unknown>) =>
        typeof attrs[name] === 'string' ? { [`data-${name}`]: attrs[name] } : {},
})

/** A link: to a page or file by its identity, to an address as it is written, or to a page that is wanted. */
export const LinkMark = Mark.create({
    name: 'link',
    inclusive: false,
    addAttributes() {
        return {
            page: text('page'),
            rest: text('rest'),
            file: text('file'),
            wanted: text('wanted'),
            title: { default: null, parseHTML: element => element.getAttribute('title') },
            newWindow: {
                default: null,
                parseHTML: element => (element.getAttribute('target') === '_blank' ? true : null),
                renderHTML: ({ newWindow }) => (newWindow === true ? { target: '_blank' } : {}),
            },
            href: {
                default: null,
                parseHTML: element =>
                    ['data-page', 'data-file', 'data-wanted'].some(name => element.hasAttribute(name))
                        ? null
                        : element.getAttribute('href'),
                renderHTML: ({ href }) => (typeof href === 'string' ? { href } : {}),
            },
        }
    },
    parseHTML() {
        return [{ tag: 'a[href], a[data-page], a[data-file], a[data-wanted]' }]
    },
    renderHTML({ HTMLAttributes }) {
        return ['a', mergeAttributes(HTMLAttributes, { rel: 'noreferrer' }), 0]
    },
})
