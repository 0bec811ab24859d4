import { useVirtualizer } from '@tanstack/react-virtual'
import { useEffect, useRef, useState, type KeyboardEvent } from 'react'
import type { SiteFile } from './files'
import { FileTile } from './FileTile'

const TILE = 164
const ROW = 160

type Props = {
    files: SiteFile[]
    chosen: string | undefined
    canReplace: boolean
    onOpen: (file: SiteFile) => void
    onReplace: (file: SiteFile, by: File) => void
}

/** Files as tiles. One place to tab to; the arrow keys go from file to file, Enter opens. */
export function FileGrid({ files, chosen, canReplace, onOpen, onReplace }: Props) {
    const scroll = useRef<HTMLDivElement>(null)
    const [columns, setColumns] = useState(4)
    const [at, setAt] = useState(0)
    const here = Math.min(at, files.length - 1)
    useEffect(() => {
        const element = scroll.current
        if (element === null) return
        const measure = () => setColumns(Math.max(1, Math.floor((element.clientWidth - 24) / TILE)))
        const observer = new ResizeObserver(measure)
        observer.observe(element)
        measure()
        return () => observer.disconnect()
    }, [])
    const rows = useVirtualizer({
        count: Math.ceil(files.length / columns),
        getScrollElement: () => scroll.current,
        estimateSize: () => ROW,
        overscan: 3,
    })
    const pressed = (event: KeyboardEvent) => {
        const steps: Record<string, number> = {
            ArrowLeft: -1,
            ArrowRight: 1,
            ArrowUp: -columns,
            ArrowDown: columns,
            Home: -files.length,
            End: files.length,
        }
        const step = steps[event.key]
        const file = files[here]
        if (step !== undefined) {
            event.preventDefault()
            const next = Math.min(files.length - 1, Math.max(0, here + step))
            setAt(next)
            rows.scrollToIndex(Math.floor(next / columns))
        } else if ((event.key === 'Enter' || event.key === ' ') && file !== undefined) {
            event.preventDefault()
            onOpen(file)
        }
    }
    const opened = files.findIndex(file => file.id === chosen)
    return (
        <div
            ref={scroll}
            role="listbox"
            aria-label="Files"
            tabIndex={0}
            aria-activedescendant={files[here] === undefined ? undefined : `file-${files[here].id}`}
            onKeyDown={pressed}
            className="group min-h-0 flex-1 overflow-y-auto px-3 pb-4 outline-offset-[-2px]"
        >
            <div className="relative" style={{ height: rows.getTotalSize() }} role="presentation">
                {rows.getVirtualItems().map(row => (
                    <div
                        key={row.key}
                        role="presentation"
                        className="absolute inset-x-0 grid gap-1"
                        style={{
                            top: row.start,
                            height: ROW,
                            gridTemplateColumns: `repeat(${columns}, minmax(0, 1fr))`,
                        }}
                    >
                        {files.slice(row.index * columns, (row.index + 1) * columns).map((file, i) => {
                            const index = row.index * columns + i
                            return (
                                <div
                                    key={file.id}
                                    role="presentation"
                                    className={
                                        index === here
                                            ? 'rounded-md group-focus-visible:outline-2 group-focus-visible:outline-heron'
                                            : ''
                                    }
                                >
                                    <FileTile
                                        id={`file-${file.id}`}
                                        file={file}
                                        isChosen={index === opened}
                                        canReplace={canReplace && file.binned === null}
                                        onOpen={() => {
                                            setAt(index)
                                            onOpen(file)
                                        }}
                                        onReplace={by => onReplace(file, by)}
                                    />
                                </div>
                            )
                        })}
                    </div>
                ))}
            </div>
        </div>
    )
}
