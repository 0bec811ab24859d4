import type { Schemas } from '../../api/client'
import { Button } from '../../ui/Button'
import { count } from '../../ui/count'
import { Muted } from '../../ui/Muted'
import { ReadFailure } from '../../ui/ReadFailure'
import { useCompared, type PlanItem } from './usePlans'

/** Pages named of each sort. */
const NAMED = 30

/** What this plan and another one do to the same pages. */
export function Against({
    plan,
    other,
    onClose,
}: {
    plan: PlanItem
    other: PlanItem | undefined
    onClose: () => void
}) {
    const reading = useCompared(plan.id, other?.id)
    const compared = reading.data
    if (other === undefined) return null
    return (
        <section aria-label={`Compared with ${other.name}`} className="mb-5 border-b border-line pb-4">
            <div className="mb-1 flex items-center justify-between">
                <h3 className="font-semibold">Compared with “{other.name}”</h3>
                <Button variant="quiet" onClick={onClose}>
                    Close
                </Button>
            </div>
            <ReadFailure of={reading} />
            {compared !== undefined && (
                <div className="grid gap-x-8 gap-y-3 lg:grid-cols-2">
                    <Pages title="Both change, and otherwise" pages={compared.otherwise} look="text-amber" />
                    <Pages title="Both change alike" pages={compared.alike} />
                    <Pages title={`Only “${plan.name}”`} pages={compared.onlyFirst} />
                    <Pages title={`Only “${other.name}”`} pages={compared.onlySecond} />
                </div>
            )}
        </section>
    )
}

function Pages({ title, pages, look = '' }: { title: string; pages: Schemas['ComparedPage'][]; look?: string }) {
    return (
        <div>
            <h4 className={`text-[13px] font-semibold ${pages.length === 0 ? 'text-ink-3' : look}`}>
                {title}: {count(pages.length, 'page')}
            </h4>
            <ul className="text-[13px]">
                {pages.slice(0, NAMED).map(page => (
                    <li key={page.page} className="truncate py-0.5">
                        {page.name}
                        {page.differs.length > 0 && <span className="text-ink-3"> · {page.differs.join(', ')}</span>}
                    </li>
                ))}
            </ul>
            {pages.length > NAMED && <Muted>and {count(pages.length - NAMED, 'more')}</Muted>}
        </div>
    )
}
