import clsx from 'clsx'
import type { Schemas } from '../api/client'
import { count } from '../ui/count'

type Line = Schemas['DrawnLine']
const marks = {
    comes: ['+', 'comes', 'bg-reed-soft text-reed'],
    goes: ['−', 'goes', 'bg-berry-soft text-berry line-through'],
    moves: ['↷', 'moves', 'bg-heron-soft text-heron'],
    changes: ['~', 'changes', 'bg-amber-soft text-amber'],
} as const

/** The branch before and after, side by side, with what moves marked. */
export function BranchDrawing({ drawing }: { drawing: Schemas['RippleAccount']['drawing'] }) {
    return (
        <div className="grid grid-cols-2 gap-6">
            <Side title="Before" lines={drawing.before} />
            <Side title="After" lines={drawing.after} />
        </div>
    )
}

function Side({ title, lines }: { title: string; lines: Line[] }) {
    return (
        <div className="min-w-0">
            <h3 className="text-[12px] text-ink-3">{title}</h3>
            <ul>
                {lines.map((line, i) => {
                    const end = (lines[i + 1]?.level ?? 0) < line.level
                    const mark = line.mark === null ? null : marks[line.mark]
                    return (
                        <li key={i} className="flex h-[22px] items-center text-[13px]">
                            {line.level === 2 && <span aria-hidden className="stem low" />}
                            {line.level > 0 && <span aria-hidden className={clsx('stem low joint', end && 'end')} />}
                            <span
                                className={clsx(
                                    'truncate rounded px-1',
                                    line.level === 0 && 'font-semibold',
                                    mark?.[2],
                                    line.leftOut > 0 && 'text-ink-3',
                                )}
                            >
                                {mark !== null && (
                                    <b aria-label={mark[1]} className="mr-1 inline-block no-underline">
                                        {mark[0]}
                                    </b>
                                )}
                                {line.leftOut > 0
                                    ? `${count(line.leftOut, 'page')} more`
                                    : line.name === ''
                                      ? 'Top of the tree'
                                      : line.name}
                            </span>
                        </li>
                    )
                })}
                {lines.length === 0 && <li className="text-[13px] text-ink-3">nothing here</li>}
            </ul>
        </div>
    )
}
