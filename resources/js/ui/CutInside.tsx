import clsx from 'clsx'
import type { ReactNode } from 'react'

/** Characters at the end that stay in sight. */
const END = 26

type Props = {
    text: string
    /** Where its end begins. */
    from?: number
    end?: (end: string) => ReactNode
    className?: string
}

/**
 * A long address in a narrow column: cut inside, so that both ends can be read. One line of text all the same, for those who copy it or have
 * it read to them: the room of the end is known by its letters, which are all as wide.
 */
export function CutInside({ text, from, end, className }: Props) {
    const at = from ?? Math.max(text.length - END, text.lastIndexOf('/', text.length - 2))
    return (
        <span className={clsx('inline-block max-w-full truncate align-bottom font-mono', className)} title={text}>
            <span
                className="inline-block min-w-[min(2ch,100%)] truncate align-bottom"
                style={{ maxWidth: `calc(100% - ${text.length - at}ch)`, minWidth: at === 0 ? 0 : undefined }}
            >
                {text.slice(0, at)}
            </span>
            {end ? end(text.slice(at)) : text.slice(at)}
        </span>
    )
}
