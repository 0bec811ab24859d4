import { placeWords } from './place'
import { readable } from '../../ui/Address'
import { ROW } from './rows'
import type { useDrag } from './useDrag'

/** Where the dragged page would land, and the address it would get. */
export function DropLine({ drag }: { drag: ReturnType<typeof useDrag> }) {
    const { target, answer } = drag
    if (target === null) return null
    const { row, index, spot } = target
    const left = 16 + (row.level - 1 + (spot === 'inside' ? 1 : 0)) * 20
    const top = spot === 'before' ? index * ROW : (index + 1) * ROW
    const says =
        answer === undefined
            ? placeWords(row.page, spot)
            : (answer.error ??
              `${placeWords(row.page, spot)}: ${readable(answer.address ?? '')}${answer.conflict === null ? '' : ', which is taken'}`)
    return (
        <div
            role="status"
            className="pointer-events-none absolute right-4 z-10 h-0.5 bg-heron"
            style={{ left, top: top - 1 }}
        >
            <span className="absolute -top-[11px] right-0 z-10 rounded bg-heron px-2 text-[12px] leading-[22px] text-on-heron">
                {says}
            </span>
            {spot === 'inside' && <span className="absolute -top-8 right-0 left-0 h-8 rounded border-2 border-heron" />}
        </div>
    )
}
