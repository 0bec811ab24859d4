import type { Schemas } from '../../api/client'
import { Button } from '../../ui/Button'
import { count } from '../../ui/count'
import { Muted } from '../../ui/Muted'
import type { OpenFault } from './search'

/** Faults of one kind in menus or of redirects: each opened where it is mended. */
export function SiteFaults({ group, onFault }: { group: Schemas['FindingGroup']; onFault: OpenFault }) {
    const rest = group.pages - group.faults.length
    return (
        <section aria-label={group.title} className="min-w-0 flex-1 overflow-y-auto px-5 py-3">
            <div className="flex flex-wrap items-start gap-3">
                <div className="min-w-0 flex-1">
                    <h2 className="text-[17px] leading-6 font-bold">{group.title}</h2>
                    <Muted>{group.why}</Muted>
                </div>
                {group.of === 'redirects' && (
                    <Button variant="main" onClick={() => onFault(group, null)}>
                        Fix them in Addresses
                    </Button>
                )}
            </div>
            <ul className="mt-3" aria-label={group.of === 'menus' ? 'Menus' : 'Redirects'}>
                {group.faults.map((fault, n) => (
                    <li key={`${fault.id} ${n}`} className="border-t border-line py-2">
                        <button
                            type="button"
                            className={`font-semibold break-all text-heron hover:underline ${group.of === 'redirects' ? 'font-mono text-[13px]' : ''}`}
                            onClick={() => onFault(group, fault)}
                        >
                            {fault.name}
                        </button>
                        <span className="block">{fault.says}</span>
                    </li>
                ))}
            </ul>
            {rest > 0 && <Muted small>And {count(rest, 'more', 'more')}.</Muted>}
        </section>
    )
}
