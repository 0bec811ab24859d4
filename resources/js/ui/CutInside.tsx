import clsx from 'clsx'

/** Characters at the end that stay in sight. */
const END = 26

/** A long address in a narrow column: cut inside, so that both ends can be read. */
export function CutInside({ text, className }: { text: string; className?: string }) {
    const from = Math.max(text.length - END, text.lastIndexOf('/', text.length - 2))
    return (
        <span className={clsx('flex max-w-full min-w-0', className)} title={text}>
            <span className="shrink-[9999] truncate">{text.slice(0, from)}</span>
            <span className="truncate">{text.slice(from)}</span>
        </span>
    )
}
