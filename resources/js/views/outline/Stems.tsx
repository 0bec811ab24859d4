import clsx from 'clsx'
import type { Row } from './rows'

/** The lines of the tree beside a row. */
export function Stems({ row }: { row: Row }) {
    if (row.level === 1 && row.kind === 'page' && row.page.start) return null
    return (
        <>
            {row.through.map((through, i) => (
                <span key={i} aria-hidden className={clsx('stem', through && 'through')} />
            ))}
            <span aria-hidden className={clsx('stem joint', row.last && 'end')} />
        </>
    )
}
