import type { KeyboardEvent, PointerEvent } from 'react'

export type Focus = { x: number; y: number }

type Props = { picture: string; proportions: number; focus: Focus; onFocus: (focus: Focus) => void }

/** The whole picture with the point that stays in sight, set by a click or the arrow keys; beside it what is seen. */
export function FocusPoint({ picture, proportions, focus, onFocus }: Props) {
    const clicked = (event: PointerEvent<HTMLElement>) => {
        const box = event.currentTarget.getBoundingClientRect()
        const share = (at: number, from: number, size: number) => Math.round(((at - from) / size) * 10) * 10
        onFocus({
            x: share(event.clientX, box.left, box.width),
            y: share(event.clientY, box.top, box.height),
        })
    }
    const pressed = (event: KeyboardEvent) => {
        const steps: Record<string, [number, number]> = {
            ArrowLeft: [-10, 0],
            ArrowRight: [10, 0],
            ArrowUp: [0, -10],
            ArrowDown: [0, 10],
        }
        const step = steps[event.key]
        if (step === undefined) return
        event.preventDefault()
        const within = (at: number) => Math.min(100, Math.max(0, at))
        onFocus({ x: within(focus.x + step[0]), y: within(focus.y + step[1]) })
    }
    return (
        <div className="flex min-h-[120px] items-start gap-3">
            <button
                type="button"
                aria-label={`Focus point: ${focus.x} % from the left, ${focus.y} % from the top. Arrow keys move it.`}
                onPointerDown={clicked}
                onKeyDown={pressed}
                className="relative max-w-[60%] cursor-crosshair"
            >
                <img src={picture} alt="" className="max-h-[120px] rounded" draggable={false} />
                <span
                    aria-hidden
                    className="absolute size-4 -translate-1/2 rounded-full border-2 border-white bg-heron shadow-float"
                    style={{ left: `${focus.x}%`, top: `${focus.y}%` }}
                />
            </button>
            <figure className="min-w-0">
                <img
                    src={picture}
                    alt=""
                    className="w-[120px] rounded object-cover"
                    style={{ aspectRatio: String(proportions), objectPosition: `${focus.x}% ${focus.y}%` }}
                />
                <figcaption className="text-[12px] text-ink-3">What is seen</figcaption>
            </figure>
        </div>
    )
}
