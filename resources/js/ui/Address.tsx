import clsx from 'clsx'

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
        <span className={clsx('font-mono text-[13px] tracking-[-0.01em] text-ink-3', className)} title={path}>
            {path.slice(0, own)}
            <b className="font-semibold text-ink">{path.slice(own)}</b>
        </span>
    )
}
