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
        <span
            className={clsx(
                'inline-block max-w-full overflow-hidden align-bottom font-mono whitespace-nowrap',
                className,
            )}
            title={text}
        >
            <span
                className="inline-block truncate align-bottom"
                style={{ maxWidth: `calc(100% - ${text.length - at}ch + 0.5px)` }}
            >
                {text.slice(0, at)}
            </span>
            <span className="inline-block max-w-full truncate align-bottom">
                {end ? end(text.slice(at)) : text.slice(at)}
            </span>
        </span>
    )
}
