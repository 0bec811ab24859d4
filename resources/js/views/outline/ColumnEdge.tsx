import { useRef } from 'react'

type Props = { name: string; width: number; onWidth: (px: number) => void }

/** Px that an arrow key makes a column wider. */
const STEP = 12

/** The left edge of a column, dragged to make it wider: what is left of it keeps its place. */
export function ColumnEdge({ name, width, onWidth }: Props) {
    const began = useRef<{ x: number; width: number } | null>(null)
    return (
        <span
            role="separator"
            aria-orientation="vertical"
            aria-label={`Width of ${name}`}
            aria-valuenow={width}
            tabIndex={0}
            onPointerDown={event => {
                event.preventDefault()
                event.currentTarget.setPointerCapture(event.pointerId)
                // As wide as it is drawn: one that shares what is left has no width of its own yet.
                began.current = { x: event.clientX, width: event.currentTarget.parentElement?.offsetWidth ?? width }
            }}
            onPointerMove={event =>
                began.current !== null && onWidth(began.current.width + began.current.x - event.clientX)
            }
            onPointerUp={() => (began.current = null)}
            onKeyDown={event => {
                if (event.key !== 'ArrowLeft' && event.key !== 'ArrowRight') return
                event.preventDefault()
                event.stopPropagation()
                onWidth(width + (event.key === 'ArrowLeft' ? STEP : -STEP))
            }}
            className="absolute -left-3 h-full w-3 cursor-col-resize touch-none after:absolute after:inset-y-[-4px] after:left-[5px] after:w-px hover:after:bg-edge focus-visible:after:bg-heron"
        />
    )
}
