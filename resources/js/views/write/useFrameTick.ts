import type { Editor } from '@tiptap/react'
import { useEffect, useReducer } from 'react'

/** Draws anew whatever stands above the frame when the content, the selection, the scrolling or the size of it changes. */
export function useFrameTick(editor: Editor, frame: Document | null): void {
    const [, draw] = useReducer((count: number) => count + 1, 0)
    useEffect(() => {
        if (frame === null) return
        const view = frame.defaultView
        let asked = 0
        const soon = () => {
            cancelAnimationFrame(asked)
            asked = requestAnimationFrame(draw)
        }
        const sizes = new ResizeObserver(soon)
        sizes.observe(frame.documentElement)
        editor.on('transaction', soon)
        editor.on('focus', soon)
        editor.on('blur', soon)
        view?.addEventListener('scroll', soon, { passive: true })
        return () => {
            cancelAnimationFrame(asked)
            sizes.disconnect()
            editor.off('transaction', soon)
            editor.off('focus', soon)
            editor.off('blur', soon)
            view?.removeEventListener('scroll', soon)
        }
    }, [editor, frame])
}
