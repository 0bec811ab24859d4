import { Node, ReactNodeViewRenderer } from '@tiptap/react'
import { settable, type Settable } from './blocks'
import { PictureView } from './PictureView'
import { ShownView } from './ShownView'

/** A block that is set in a dialog and shown as visitors get it. Between pages it travels with its attributes. */
export const shownNode = (type: Exclude<Settable, 'table'>) =>
    Node.create<{ site: string; page: string }>({
        name: type,
        group: 'block',
        atom: true,
        draggable: true,
        addOptions: () => ({ site: '', page: '' }),
        addAttributes: () =>
            Object.fromEntries(
                [
                    ...Object.keys(settable[type]),
                    ...(type === 'pages' ? ['picks', 'chosen', 'tag', 'field'] : []),
                    ...(type === 'picture' ? ['enlarge', 'link'] : []),
                ].map(name => [
                    name,
                    {
                        default: (settable[type] as Record<string, unknown>)[name] ?? null,
                        rendered: false,
                        parseHTML: (element: HTMLElement) => attrsOf(element)[name] ?? null,
                    },
                ]),
            ),
        parseHTML: () => [{ tag: `div[data-block="${type}"]` }],
        renderHTML: ({ node, HTMLAttributes }) => [
            'div',
            { ...HTMLAttributes, 'data-block': type, 'data-attrs': JSON.stringify(node.attrs) },
        ],
        addNodeView: () => ReactNodeViewRenderer(type === 'picture' ? PictureView : ShownView),
    })

function attrsOf(element: HTMLElement): Record<string, unknown> {
    try {
        return JSON.parse(element.getAttribute('data-attrs') ?? '{}') as Record<string, unknown>
    } catch {
        return {}
    }
}
