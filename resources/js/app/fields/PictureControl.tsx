import { useState, type KeyboardEvent, type PointerEvent } from 'react'
import { Button } from '../../ui/Button'
import { inputClasses } from '../../ui/Field'
import { FileDialog } from '../FileChooser'
import { objectOf, textOfValue, type LayoutField } from './values'

type Props = { field: LayoutField; value: unknown; onChange: (value: unknown) => void; id?: string }
type Focus = { x: number; y: number }

/** A picture with its alternative text and, where the layout crops it, the point that stays in sight. */
export function PictureControl({ field, value, onChange, id }: Props) {
    const [choosing, choose] = useState(false)
    const picture = objectOf(value)
    const file = textOfValue(picture.file)
    const given = objectOf(picture.focus)
    const focus: Focus = { x: Number(given.x ?? 50), y: Number(given.y ?? 50) }
    const set = (change: object) => onChange({ ...picture, ...change })
    return (
        <div className="grid gap-1.5">
            {file !== '' && field.proportions === null && (
                <img
                    src={`/_files/${file}/picture`}
                    alt=""
                    className="max-h-[120px] max-w-full justify-self-start rounded"
                />
            )}
            {file !== '' && field.proportions !== null && (
                <FocusPoint
                    file={file}
                    proportions={field.proportions}
                    focus={focus}
                    onFocus={at => set({ focus: at })}
                />
            )}
            <span className="flex gap-1">
                <Button {...(id === undefined ? {} : { id })} onClick={() => choose(true)}>
                    {file === '' ? 'Choose a picture…' : 'Another picture…'}
                </Button>
                {file !== '' && (
                    <Button variant="quiet" onClick={() => onChange(null)}>
                        Remove
                    </Button>
                )}
            </span>
            {file !== '' && (
                <input
                    aria-label={`${field.title}: alternative text`}
                    placeholder="What the picture shows, for those who do not see it"
                    value={textOfValue(picture.alt)}
                    onChange={event => set({ alt: event.target.value })}
                    className={inputClasses}
                />
            )}
            {choosing && (
                <FileDialog
                    title={field.title}
                    pictures
                    onClose={() => choose(false)}
                    onFile={picked => {
                        set({ file: picked.id })
                        choose(false)
                    }}
                />
            )}
        </div>
    )
}

type PointProps = { file: string; proportions: number; focus: Focus; onFocus: (focus: Focus) => void }

/** The whole picture with the point that stays in sight, set by a click or the arrow keys; beside it what is seen. */
function FocusPoint({ file, proportions, focus, onFocus }: PointProps) {
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
        <div className="flex items-start gap-3">
            <button
                type="button"
                aria-label={`Point that stays in sight: ${focus.x} % from the left, ${focus.y} % from the top. Arrow keys move it.`}
                onPointerDown={clicked}
                onKeyDown={pressed}
                className="relative max-w-[60%] cursor-crosshair"
            >
                <img src={`/_files/${file}/picture`} alt="" className="max-h-[120px] rounded" draggable={false} />
                <span
                    aria-hidden
                    className="absolute size-4 -translate-1/2 rounded-full border-2 border-white bg-heron shadow-float"
                    style={{ left: `${focus.x}%`, top: `${focus.y}%` }}
                />
            </button>
            <figure className="min-w-0">
                <img
                    src={`/_files/${file}/picture`}
                    alt=""
                    className="w-[120px] rounded object-cover"
                    style={{ aspectRatio: String(proportions), objectPosition: `${focus.x}% ${focus.y}%` }}
                />
                <figcaption className="text-[12px] text-ink-3">What is seen</figcaption>
            </figure>
        </div>
    )
}
