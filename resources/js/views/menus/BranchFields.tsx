import { Button } from '../../ui/Button'
import { FieldFrame } from '../../ui/Field'
import { Muted } from '../../ui/Muted'
import { Select } from '../../ui/Select'
import type { EntryEditing } from './EntryFields'

const depths = [1, 2, 3, 4, 5].map(n => [n, String(n)] as const)
const orders = [
    ['tree', 'of the tree'],
    ['a-z', 'A–Z'],
] as const

/** How an entry is filled from the tree: how deep, in which order, and without which pages. */
export function BranchFields({ entry, writes, onChange, onPick }: EntryEditing) {
    const out = entry.out ?? []
    return (
        <>
            <div className="flex gap-4">
                <FieldFrame stacked label="Levels">
                    {({ id }) => (
                        <Select
                            id={id}
                            disabled={!writes}
                            value={entry.depth ?? 1}
                            choices={depths}
                            onChoose={depth => onChange({ depth })}
                        />
                    )}
                </FieldFrame>
                <div className="grow">
                    <FieldFrame stacked label="Order">
                        {({ id }) => (
                            <Select
                                id={id}
                                disabled={!writes}
                                value={entry.order ?? 'tree'}
                                choices={orders}
                                onChoose={order => onChange({ order })}
                            />
                        )}
                    </FieldFrame>
                </div>
            </div>
            <div>
                <Muted>Left out</Muted>
                {out.length === 0 && <Muted small>Every listed page that is live is shown.</Muted>}
                <ul>
                    {out.map(page => (
                        <li key={page} className="flex items-center justify-between">
                            <span className="truncate">
                                {entry.exceptions?.find(each => each.id === page)?.name ?? 'a page'}
                            </span>
                            {writes && (
                                <Button
                                    variant="quiet"
                                    onClick={() => onChange({ out: out.filter(each => each !== page) })}
                                >
                                    Show again
                                </Button>
                            )}
                        </li>
                    ))}
                </ul>
                {writes && (
                    <Button variant="quiet" className="-ml-3" onClick={() => onPick('exception')}>
                        Leave a page out…
                    </Button>
                )}
            </div>
        </>
    )
}
