import type { Editor } from '@tiptap/react'
import { useEffect, useRef, useState, type PointerEvent as ReactPointerEvent } from 'react'
import { moved } from '../../app/content/moving'
import { gapsOf, nearestGap, type Gap } from './geometry'

/** px that the pointer goes before pressing becomes dragging. */
const SLACK = 5

type Press = { at: number; x: number; y: number; gaps: Gap[] | null; gap: Gap | null }

/**
 * Drags a block by its handle to the gap nearest to the pointer. While it is pressed whatever stands above the frame takes
 * the pointer, which the frame would take otherwise. Esc, or letting go where it was, leaves everything as it is.
 */
export function useBlockDrag(editor: Editor, at: number | null, overlay: () => DOMRect | undefined) {
    const [gap, setGap] = useState<Gap | null>(null)
    const [pressed, setPressed] = useState(false)
    const press = useRef<Press | null>(null)
    const dragged = useRef(false)
    const corner = useRef(overlay)
    useEffect(() => {
        corner.current = overlay
    })
    useEffect(() => {
        if (!pressed) return
        const stop = () => {
            press.current = null
            setGap(null)
            setPressed(false)
        }
        const moves = (event: PointerEvent) => {
            const now = press.current
            const box = corner.current()
            if (now === null || box === undefined) return
            if (now.gaps === null) {
                if (Math.hypot(event.clientX - now.x, event.clientY - now.y) < SLACK) return
                dragged.current = true
                now.gaps = gapsOf(editor.view)
            }
            now.gap = nearestGap(now.gaps, event.clientX - box.left, event.clientY - box.top)
            setGap(now.gap)
        }
        const drops = () => {
            const { at: from = 0, gap: to = null } = press.current ?? {}
            const tr = to === null ? null : moved(editor.state, from, to.to)
            if (tr !== null) editor.view.dispatch(tr)
            stop()
        }
        const keys = (event: KeyboardEvent) => event.key === 'Escape' && stop()
        addEventListener('pointermove', moves)
        addEventListener('pointerup', drops)
        addEventListener('pointercancel', stop)
        addEventListener('keydown', keys)
        return () => {
            removeEventListener('pointermove', moves)
            removeEventListener('pointerup', drops)
            removeEventListener('pointercancel', stop)
            removeEventListener('keydown', keys)
        }
    }, [editor, pressed])
    return {
        gap,
        pressed,
        /** Whether the last press became a drag: then it opens no menu. */
        wasDragged: () => dragged.current,
        onPointerDown: (event: ReactPointerEvent<HTMLElement>) => {
            if (event.button !== 0 || at === null) return
            dragged.current = false
            press.current = { at, x: event.clientX, y: event.clientY, gaps: null, gap: null }
            setPressed(true)
        },
    }
}
