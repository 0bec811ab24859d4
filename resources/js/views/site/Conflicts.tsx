import type { LayoutField } from '../../app/fields/values'
import { Button } from '../../ui/Button'
import { summary, type PageRow } from './cells'

type Conflict = { row: PageRow; key: string; mine: unknown; theirs: unknown }
type Props = {
    conflicts: Conflict[]
    fields: LayoutField[]
    onMine: (conflict: Conflict) => void
    onTheirs: (conflict: Conflict) => void
}

/** What somebody else changed while one typed: decided one by one before anything is saved. */
export function Conflicts({ conflicts, fields, onMine, onTheirs }: Props) {
    return (
        <section aria-label="Changed by somebody else" className="border-b border-line bg-amber-soft px-4 py-2">
            <p className="font-semibold">Somebody else changed this meanwhile. Choose what stays.</p>
            <ul className="mt-1 grid gap-1">
                {conflicts.map(conflict => {
                    const field = fields.find(each => each.key === conflict.key)
                    const say = (value: unknown) =>
                        value === null || value === undefined
                            ? 'nothing'
                            : typeof value === 'object' && field !== undefined
                              ? summary(field, value)
                              : `“${String(value as string | number | boolean)}”`
                    return (
                        <li key={`${conflict.row.id} ${conflict.key}`} className="flex flex-wrap items-center gap-2">
                            <span>
                                {conflict.row.name}, {field?.title}: yours {say(conflict.mine)}, theirs{' '}
                                {say(conflict.theirs)}
                            </span>
                            <Button variant="quiet" onClick={() => onMine(conflict)}>
                                Keep mine
                            </Button>
                            <Button variant="quiet" onClick={() => onTheirs(conflict)}>
                                Use theirs
                            </Button>
                        </li>
                    )
                })}
            </ul>
        </section>
    )
}
