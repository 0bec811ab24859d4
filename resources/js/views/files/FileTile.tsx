import clsx from 'clsx'
import { Film, FileText } from 'lucide-react'
import { useState, type DragEvent } from 'react'
import { ending, size, usesInWords, type SiteFile } from './files'

type Props = {
    id: string
    file: SiteFile
    isChosen: boolean
    canReplace: boolean
    onOpen: () => void
    onReplace: (by: File) => void
}

/** A file as a picture of itself, or of what it is. Another dropped on it takes its place. */
export function FileTile({ id, file, isChosen, canReplace, onOpen, onReplace }: Props) {
    const [isOver, setOver] = useState(false)
    const over = (event: DragEvent) => {
        if (!canReplace || event.dataTransfer.types.includes('Files') === false) return
        event.preventDefault()
        event.stopPropagation()
        setOver(true)
    }
    const dropped = (event: DragEvent) => {
        if (!canReplace) return
        event.preventDefault()
        event.stopPropagation()
        setOver(false)
        const by = event.dataTransfer.files[0]
        if (by !== undefined) onReplace(by)
    }
    const Sign = file.kind === 'film' ? Film : FileText
    return (
        <div
            id={id}
            role="option"
            aria-selected={isChosen}
            onClick={onOpen}
            onDragOver={over}
            onDragLeave={() => setOver(false)}
            onDrop={dropped}
            className={clsx(
                'flex h-full cursor-pointer flex-col rounded-md border p-1.5',
                isChosen ? 'border-heron bg-heron-soft' : 'border-transparent hover:bg-sunk',
                isOver && 'border-heron! bg-heron-soft',
            )}
        >
            <div className="relative grid h-[104px] shrink-0 place-items-center overflow-hidden rounded bg-sunk">
                {file.small !== null ? (
                    <img src={file.small} alt="" loading="lazy" className="absolute inset-0 size-full object-contain" />
                ) : (
                    <span className="grid justify-items-center gap-1 text-ink-3">
                        <Sign size={28} strokeWidth={1.4} aria-hidden />
                        <b className="text-[12px] font-semibold">{ending(file.name)}</b>
                    </span>
                )}
                {isOver && (
                    <span className="absolute inset-0 grid place-items-center bg-sheet/90 text-center font-semibold text-heron">
                        Drop to replace it
                    </span>
                )}
            </div>
            <p className="mt-1.5 truncate text-[13px] leading-4 font-semibold">{file.name}</p>
            <p className={clsx('truncate text-[12px] leading-4', file.uses === 0 ? 'text-amber' : 'text-ink-3')}>
                {file.width !== null ? `${file.width} × ${file.height}` : size(file.bytes)} · {usesInWords(file)}
            </p>
        </div>
    )
}
