import type { Editor } from '@tiptap/react'
import { useRef, useState, type PointerEvent } from 'react'
import { moved } from '../../app/content/moving'
import { gapsOf, nearestGap, type Gap } from './geometry'

/** px that the pointer goes before pressing becomes dragging. */
const SLACK = 5

/**
 * Drags a block by its handle: the pointer is captured by the handle, so that it is followed above the frame too, and the gap
 * nearest to it is where the block goes. Esc, or letting go where it was, leaves everything as it is.
 */
export function useBlockDrag(editor: Editor, at: number | null, overlay: () => DOMRect | undefined) {
    const [gap, setGap] = useState<Gap | null>(null)
    const from = useRef<{ x: number; y: number; gaps: Gap[] | null } | null>(null)
    const dragged = useRef(false)
    const stop = () => {
        from.current = null
        setGap(null)
    }
    return {
        gap,
        /** Whether the last press became a drag: then it opens no menu. */
        wasDragged: () => dragged.current,
        handle: {
            onPointerDown: (event: PointerEvent<HTMLElement>) => {
                if (event.button !== 0 || at === null) return
                dragged.current = false
                from.current = { x: event.clientX, y: event.clientY, gaps: null }
                event.currentTarget.setPointerCapture(event.pointerId)
            },
            onPointerMove: (event: PointerEvent<HTMLElement>) => {
                const start = from.current
                const box = overlay()
                if (start === null || box === undefined) return
                if (start.gaps === null) {
                    if (Math.hypot(event.clientX - start.x, event.clientY - start.y) < SLACK) return
                    dragged.current = true
                    start.gaps = gapsOf(editor.view)
                }
                setGap(nearestGap(start.gaps, event.clientX - box.left, event.clientY - box.top))
            },
            onPointerUp: () => {
                const tr = gap === null || at === null ? null : moved(editor.state, at, gap.to)
                if (tr !== null) editor.view.dispatch(tr.scrollIntoView())
                stop()
            },
            onPointerCancel: stop,
            onKeyDown: (event: { key: string }) => event.key === 'Escape' && stop(),
        },
    }
}
