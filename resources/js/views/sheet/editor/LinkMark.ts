import { Mark, mergeAttributes } from '@tiptap/react'

/** A link: to a page by its identity, with a query or fragment at its end, or to an address or mail address as it is written. */
export const LinkMark = Mark.create({
    name: 'link',
    inclusive: false,
    addAttributes() {
        return {
            page: {
                default: null,
                parseHTML: element => element.getAttribute('data-page'),
                renderHTML: ({ page }) => (page === null ? {} : { 'data-page': String(page) }),
            },
            rest: {
                default: null,
                parseHTML: element => element.getAttribute('data-rest'),
                renderHTML: ({ rest }) => (rest === null ? {} : { 'data-rest': String(rest) }),
            },
            href: {
                default: null,
                parseHTML: element => (element.hasAttribute('data-page') ? null : element.getAttribute('href')),
                renderHTML: ({ href }) => (href === null ? {} : { href: String(href) }),
            },
        }
    },
    parseHTML() {
        return [{ tag: 'a[href], a[data-page]' }]
    },
    renderHTML({ HTMLAttributes }) {
        return ['a', mergeAttributes(HTMLAttributes, { rel: 'noreferrer' }), 0]
    },
})
