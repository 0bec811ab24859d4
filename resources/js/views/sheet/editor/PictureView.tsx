import { NodeViewWrapper, type NodeViewProps } from '@tiptap/react'
import { useState } from 'react'
import { Button } from '../../../ui/Button'
import type { Picture } from './picture'
import { PictureDialog } from './PictureDialog'

/** A picture in the content: as it will stand, with its texts a click away. */
export function PictureView({ node, updateAttributes, deleteNode, selected, editor }: NodeViewProps) {
    const picture = node.attrs as Picture
    const [open, setOpen] = useState(false)
    const lacksText = picture.alt === '' && !picture.decorative
    return (
        <NodeViewWrapper className="my-3">
            <figure
                className={`rounded ${selected && editor.isFocused ? 'outline-2 outline-heron' : ''}`}
                data-drag-handle
            >
                <div
                    className={`flex ${picture.align === 'left' ? 'justify-start' : picture.align === 'right' ? 'justify-end' : 'justify-center'}`}
                >
                    <img
                        src={`/_files/${picture.file}/picture`}
                        alt={picture.alt}
                        style={{ width: `${picture.width}%` }}
                        className="rounded"
                    />
                </div>
                {picture.caption !== '' && (
                    <figcaption className="mt-1 text-[13px] text-ink-2">{picture.caption}</figcaption>
                )}
                {editor.isEditable && (
                    <div className="mt-1 flex items-center gap-1" contentEditable={false}>
                        <span
                            className={`min-w-0 flex-1 truncate text-[12px] ${lacksText ? 'font-semibold text-berry' : 'text-ink-3'}`}
                        >
                            {picture.decorative
                                ? 'Decorative'
                                : lacksText
                                  ? 'Needs a text for people who do not see it'
                                  : picture.alt}
                        </span>
                        <Button variant="quiet" onClick={() => setOpen(true)}>
                            Edit picture
                        </Button>
                        <Button variant="quiet" onClick={deleteNode}>
                            Remove
                        </Button>
                    </div>
                )}
            </figure>
            {open && (
                <PictureDialog
                    picture={picture}
                    onClose={() => setOpen(false)}
                    onTake={taken => {
                        updateAttributes(taken)
                        setOpen(false)
                    }}
                />
            )}
        </NodeViewWrapper>
    )
}
