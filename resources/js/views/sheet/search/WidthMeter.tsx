import clsx from 'clsx'

/** How much of the room in a result a text takes, in px as the server measures it. */
export function WidthMeter({ width, max, label }: { width: number; max: number; label: string }) {
    const isOver = width > max
    return (
        <span className="mt-1 flex items-center gap-2">
            <span className="h-1 flex-1 overflow-hidden rounded-full bg-line" aria-hidden>
                <span
                    className={clsx('block h-full', isOver ? 'bg-amber' : 'bg-reed')}
                    style={{ width: `${Math.min(100, (width / max) * 100)}%` }}
                />
            </span>
            <span
                role="meter"
                aria-label={label}
                aria-valuenow={Math.round(width)}
                aria-valuemin={0}
                aria-valuemax={max}
                className={clsx(
                    'text-[12px] leading-4 whitespace-nowrap tabular-nums',
                    isOver ? 'text-amber' : 'text-ink-3',
                )}
            >
                {Math.round(width)} of {max} px{isOver && ', will be cut'}
            </span>
        </span>
    )
}
