import clsx from 'clsx'
import { useRef, useState } from 'react'

type Props = {
    value: string
    /** What stands where the page has none of its own. */
    otherwise: string
    isEdited: boolean
    isActive: boolean
    isMarked: boolean
    writing: string | null
    width: number
    max: number
    isDouble: boolean
    label: string
    onActive: (isRange: boolean) => void
    onWrite: (first: string | null) => void
    onWritten: (value: string, step: -1 | 0 | 1) => void
    onLeft: () => void
}

/** A cell as in a spreadsheet: chosen, written in, with its width and whether another page says the same. */
export function GridCell(props: Props) {
    const { value, otherwise, isEdited, isActive, isMarked, writing, width, max, isDouble } = props
    if (isActive && writing !== null) return <Writing {...props} first={writing} />
    return (
        <span
            role="gridcell"
            aria-selected={isActive || isMarked}
            data-active={isActive}
            onMouseDown={event => {
                props.onActive(event.shiftKey)
            }}
            onDoubleClick={() => props.onWrite(value)}
            className={clsx(
                'flex h-full min-w-0 cursor-default items-center gap-2 border-l border-line px-2',
                isMarked && 'bg-heron-soft',
                isActive && 'shadow-[inset_0_0_0_2px_var(--heron)]',
            )}
        >
            {isEdited && <span aria-label="edited" className="size-1.5 shrink-0 rounded-full bg-amber" />}
            <span className={clsx('min-w-0 flex-1 truncate', value === '' && 'text-ink-3')}>
                {value === '' ? otherwise : value}
            </span>
            {isDouble && <span className="shrink-0 text-[12px] text-amber">duplicate</span>}
            <span
                className={clsx(
                    'w-[34px] shrink-0 text-right text-[12px] tabular-nums',
                    width > max ? 'font-semibold text-amber' : 'text-ink-3',
                )}
            >
                <span className="sr-only">{width > max ? 'too wide: ' : 'width '}</span>
                {Math.round(width)}
            </span>
        </span>
    )
}

function Writing({ first, label, onWritten, onLeft }: Props & { first: string }) {
    const [text, setText] = useState(first)
    // Leaving the cell by a key takes the focus away, which is not leaving it once more.
    const isLeft = useRef(false)
    const leave = (act: () => void) => {
        if (isLeft.current) return
        isLeft.current = true
        act()
    }
    return (
        <span role="gridcell" className="h-full border-l border-line">
            <input
                aria-label={label}
                autoFocus
                value={text}
                onChange={event => setText(event.target.value)}
                onBlur={() => leave(() => onWritten(text, 0))}
                onKeyDown={event => {
                    event.stopPropagation()
                    if (event.key === 'Enter') leave(() => onWritten(text, event.shiftKey ? -1 : 1))
                    else if (event.key === 'Tab') {
                        event.preventDefault()
                        leave(() => onWritten(text, 0))
                    } else if (event.key === 'Escape') leave(onLeft)
                }}
                className="h-full w-full bg-sheet px-2 shadow-[inset_0_0_0_2px_var(--heron)] outline-none"
            />
        </span>
    )
}
