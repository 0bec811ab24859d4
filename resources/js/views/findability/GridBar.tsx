import { useQuery } from '@tanstack/react-query'
import { useLayouts } from '../../app/fields/useLayouts'
import { Button, buttonClasses } from '../../ui/Button'
import { count } from '../../ui/count'
import { inputClasses } from '../../ui/Field'
import { Muted } from '../../ui/Muted'
import { Select } from '../../ui/Select'
import { findingsQuery } from './queries'
import type { Search, SetSearch } from './search'

type Props = {
    site: string
    search: Search
    set: SetSearch
    total: number | undefined
    edited: number
    writes: boolean
    onFind: () => void
    onFile: () => void
    onDiscard: () => void
    onSave: () => void
}

/** What the grid is filtered by, and what is done with what was typed. */
export function GridBar({ site, search, set, total, edited, writes, onFind, onFile, onDiscard, onSave }: Props) {
    const { layouts } = useLayouts()
    const findings = useQuery(findingsQuery(site, true))
    const checks = (findings.data ?? [])
        .filter(group => group.of === 'pages')
        .map(group => [group.check, `${group.title} (${group.pages})`] as const)
    const known = checks.some(([check]) => check === search.check)
    return (
        <div className="flex flex-wrap items-center gap-2 px-4 py-2">
            <input
                type="search"
                aria-label="Filter rows"
                placeholder="Filter by name, address or text"
                value={search.text ?? ''}
                onChange={event => set({ text: event.target.value === '' ? undefined : event.target.value })}
                className={`${inputClasses} w-[230px]!`}
            />
            <Select
                aria-label="Finding"
                className="w-[210px]!"
                value={search.check ?? ''}
                choices={[
                    ['', 'Any finding'],
                    ...checks,
                    ...(search.check === undefined || known ? [] : [[search.check, search.check] as const]),
                ]}
                onChoose={check => set({ check: check === '' ? undefined : check })}
            />
            <Select
                aria-label="State"
                className="w-[110px]!"
                value={search.state ?? ''}
                choices={[
                    ['', 'Any state'],
                    ['live', 'Live'],
                    ['draft', 'Draft'],
                    ['review', 'In review'],
                    ['offline', 'Offline'],
                ]}
                onChoose={state => set({ state: state === '' ? undefined : state })}
            />
            <Select
                aria-label="Layout"
                className="w-[150px]!"
                value={search.layout ?? ''}
                choices={[['', 'Any layout'], ...layouts.map(({ key, name }) => [key, name] as const)]}
                onChoose={layout => set({ layout: layout === '' ? undefined : layout })}
            />
            <Muted small>{total === undefined ? 'Reading…' : count(total, 'page')}</Muted>
            <span className="ml-auto flex flex-wrap items-center gap-2">
                {writes && (
                    <Button variant="quiet" onClick={onFind}>
                        Find and replace
                    </Button>
                )}
                <a href={`/api/v1/sites/${site}/search-export`} download className={buttonClasses('quiet')}>
                    Save as CSV
                </a>
                {writes && (
                    <Button variant="quiet" onClick={onFile}>
                        Import CSV
                    </Button>
                )}
                {edited > 0 && <Button onClick={onDiscard}>Discard</Button>}
                {writes && (
                    <Button variant="main" disabled={edited === 0} onClick={onSave}>
                        {edited === 0 ? 'Save' : `Save ${count(edited, 'page')}`}
                    </Button>
                )}
            </span>
        </div>
    )
}
