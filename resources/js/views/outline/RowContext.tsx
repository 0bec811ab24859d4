import { Suspense } from 'react'
import { AtPointer } from '../../ui/AtPointer'
import { RowActs, type RowAct } from './RowMenu'
import type { Row } from './rows'

type Props = {
    at: { of: Row; x: number; y: number } | null
    onAct: (row: Row, act: RowAct) => void
    onClose: () => void
}

/** The row's menu where it was right-clicked. */
export function RowContext({ at, onAct, onClose }: Props) {
    if (at?.of.kind !== 'page') return null
    const { of: row, x, y } = at
    return (
        <Suspense>
            <RowActs
                key={`${x} ${y}`}
                trigger={<AtPointer x={x} y={y} label={`Change ${row.page.name}`} />}
                page={row.page}
                onAct={act => onAct(row, act)}
                onClose={onClose}
            />
        </Suspense>
    )
}
