import { NodeViewWrapper, type NodeViewProps } from '@tiptap/react'
import type { Picture } from './blocks'
import { BlockBar } from './BlockBar'

/** A picture in the content, as it will stand. */
export function PictureView(props: NodeViewProps) {
    const picture = props.node.attrs as Picture & { hidden: boolean | null }
    const lacksText = picture.alt === '' && !picture.decorative
    return (
        <NodeViewWrapper data-room-block="" data-drag-handle data-hidden={picture.hidden === true ? '' : undefined}>
            <figure
                data-box=""
                contentEditable={false}
                className={`picture picture-${picture.align} picture-${picture.width}`}
            >
                <img src={`/_files/${picture.file}/picture`} alt={picture.alt} />
                {picture.caption !== '' && <figcaption>{picture.caption}</figcaption>}
            </figure>
            <BlockBar {...props}>
                {picture.decorative ? (
                    'Decorative'
                ) : lacksText ? (
                    <b className="text-berry">Needs a text for people who do not see it</b>
                ) : (
                    picture.alt
                )}
            </BlockBar>
        </NodeViewWrapper>
    )
}
