import type { NodeViewProps } from '@tiptap/react'
import { useContext, type ReactNode } from 'react'
import { Button } from '../../ui/Button'
import type { Settable } from './blocks'
import { WritingPlace } from './settings'

/** In the sheet: what can be done with a block, below it. On the page itself the tools stand beside it. */
export function BlockBar({ node, getPos, deleteNode, editor, children }: NodeViewProps & { children?: ReactNode }) {
    const place = useContext(WritingPlace)
    if (place.inRoom || !editor.isEditable) return null
    const edit = () => place.edit({ type: node.type.name as Settable, attrs: node.attrs, at: getPos() ?? null })
    return (
        <div className="mt-1 flex items-center gap-1" contentEditable={false}>
            <span className="min-w-0 flex-1 truncate text-[12px] text-ink-3">{children}</span>
            <Button variant="quiet" onClick={edit}>
                Edit {blockWord[node.type.name] ?? 'block'}
            </Button>
            <Button variant="quiet" onClick={deleteNode}>
                Remove
            </Button>
        </div>
    )
}

const blockWord: Record<string, string> = {
    picture: 'picture',
    button: 'button',
    gallery: 'gallery',
    video: 'video',
    file: 'file',
    pages: 'list of pages',
}
