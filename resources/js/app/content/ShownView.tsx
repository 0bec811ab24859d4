import { useQuery } from '@tanstack/react-query'
import { NodeViewWrapper, type NodeViewProps } from '@tiptap/react'
import { useContext } from 'react'
import { answered, api } from '../../api/client'
import { BlockBar } from './BlockBar'
import { WritingPlace } from './settings'

/** A block as visitors will get it: the server renders it, here as on the site. */
export function ShownView(props: NodeViewProps) {
    const { site, page } = useContext(WritingPlace)
    const block = { type: props.node.type.name, attrs: { ...props.node.attrs, hidden: null } }
    const { data, error } = useQuery({
        queryKey: ['site', site, 'shown', JSON.stringify(block)],
        queryFn: async ({ signal }) => {
            const body = { blocks: [block] }
            const shown = await answered(
                page === ''
                    ? api.POST('/sites/{site}/shown', { params: { path: { site } }, body, signal })
                    : api.POST('/sites/{site}/pages/{page}/shown', { params: { path: { site, page } }, body, signal }),
            )
            return shown[0] ?? { html: '', refused: null }
        },
        staleTime: 60_000,
        placeholderData: previous => previous,
    })
    return (
        <NodeViewWrapper
            data-room-block=""
            data-drag-handle
            data-hidden={props.node.attrs.hidden === true ? '' : undefined}
        >
            {data !== undefined && data.html !== '' ? (
                // What the server renders holds nothing but the format's own elements.
                <div contentEditable={false} dangerouslySetInnerHTML={{ __html: data.html }} />
            ) : (
                <div contentEditable={false} className="room-empty">
                    {error?.message ?? (data === undefined ? 'One moment…' : (data.refused ?? blank[block.type]))}
                </div>
            )}
            <BlockBar {...props} />
        </NodeViewWrapper>
    )
}

const blank: Record<string, string> = {
    pages: 'No page to list yet: what is live and listed appears here.',
    button: 'This button leads to a page that visitors cannot see. They do not get it.',
    file: 'This file is no longer there. Visitors see nothing here.',
    video: 'This video is no longer there. Visitors see nothing here.',
    shared: 'This shared piece is empty, or no longer there. Visitors see nothing here.',
    gallery: 'These pictures are no longer there. Visitors see nothing here.',
}
