import clsx from 'clsx'
import { CutInside } from './CutInside'

/** Letters beyond ASCII as letters; the wire form is for machines. */
export function readable(address: string) {
    try {
        return decodeURI(address)
    } catch {
        return address
    }
}

/** An address: what it inherits faint, the page's own slug strong. */
export function Address({ address, className }: { address: string; className?: string }) {
    const path = readable(address)
    const bare = path.endsWith('/') && path.length > 1 ? path.slice(0, -1) : path
    const own = bare.lastIndexOf('/') + 1
    return (
        // What it inherits gives way first: the ends of addresses tell them apart.
        <CutInside
            text={path}
            from={own}
            end={slug => <b className="font-semibold text-ink">{slug}</b>}
            className={clsx('text-[13px] text-ink-3', className)}
        />
    )
}
