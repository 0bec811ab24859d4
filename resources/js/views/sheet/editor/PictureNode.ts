import { Node, ReactNodeViewRenderer } from '@tiptap/react'
import type { Picture } from './picture'
import { PictureView } from './PictureView'

/** A picture block. */
export const PictureNode = Node.create<{ site: string }>({
    name: 'picture',
    group: 'block',
    atom: true,
    draggable: true,
    addOptions() {
        return { site: '' }
    },
    addAttributes() {
        return {
            file: { default: '' },
            alt: { default: '' },
            decorative: { default: false },
            caption: { default: '' },
            align: { default: 'centre' },
            width: { default: 100 },
        }
    },
    parseHTML() {
        return [
            {
                tag: 'figure[data-file]',
                getAttrs: element => JSON.parse(element.getAttribute('data-picture') ?? '{}') as Picture,
            },
        ]
    },
    renderHTML({ node }) {
        return ['figure', { 'data-file': String(node.attrs.file), 'data-picture': JSON.stringify(node.attrs) }]
    },
    addNodeView() {
        return ReactNodeViewRenderer(PictureView)
    },
})
