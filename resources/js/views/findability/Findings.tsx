import { useQuery } from '@tanstack/react-query'
import clsx from 'clsx'
import { useState } from 'react'
import { useSite } from '../../app/site'
import { Button, buttonClasses } from '../../ui/Button'
import { Choice } from '../../ui/Choice'
import { Muted } from '../../ui/Muted'
import { ReadFailure } from '../../ui/ReadFailure'
import { Dismissed } from './Dismissed'
import { FindingGroup } from './FindingGroup'
import { countOf, severityLooks, severityWords } from './labels'
import { findingsQuery } from './queries'
import type { OpenFault, OpenPage, Search, SetSearch } from './search'
import { SiteFaults } from './SiteFaults'

type Props = {
    search: Search
    set: SetSearch
    onPage: OpenPage
    onEntry: (entry: string) => void
    onFault: OpenFault
}

/** Findings by check, the most gain first; the chosen one with its pages beside them. */
export function Findings({ search, set, onPage, onEntry, onFault }: Props) {
    const site = useSite()
    const [isAll, setAll] = useState(false)
    const [isDismissed, showDismissed] = useState(false)
    const findings = useQuery(findingsQuery(site.key, isAll))
    const groups = findings.data ?? []
    const chosen = groups.find(group => group.check === search.check) ?? groups[0]
    const total = groups.reduce((sum, group) => sum + group.pages, 0)
    return (
        <div className="flex min-h-0 flex-1">
            <div className="flex w-[400px] shrink-0 flex-col border-r border-line">
                <div className="flex flex-wrap items-center gap-x-3 gap-y-1 px-4 py-2">
                    <Muted>
                        <b className="font-semibold text-ink">{total.toLocaleString('en-GB')}</b> findings
                    </Muted>
                    <Choice className="text-[12px]" checked={isAll} onChange={event => setAll(event.target.checked)}>
                        Drafts too
                    </Choice>
                    <span className="ml-auto flex">
                        <Button variant="quiet" onClick={() => showDismissed(true)}>
                            Dismissed
                        </Button>
                        <a
                            className={buttonClasses('quiet')}
                            href={`/api/v1/sites/${site.key}/findings-export${isAll ? '?all=1' : ''}`}
                            download
                        >
                            CSV
                        </a>
                    </span>
                </div>
                <ReadFailure of={findings} />
                <ul aria-label="Checks" className="min-h-0 flex-1 overflow-y-auto">
                    {groups.map(group => (
                        <li key={group.check}>
                            <button
                                type="button"
                                aria-current={group === chosen}
                                onClick={() => set({ check: group.check })}
                                className={clsx(
                                    'flex w-full items-baseline gap-3 border-t border-line px-4 py-2 text-left',
                                    group === chosen
                                        ? 'bg-heron-soft shadow-[inset_3px_0_var(--heron)]'
                                        : 'hover:bg-sunk',
                                )}
                            >
                                <span className="min-w-0 flex-1">
                                    <span className="block font-semibold">{group.title}</span>
                                    <span className="block text-[12px] leading-4 text-ink-2">
                                        <span className={severityLooks[group.severity]}>
                                            {severityWords[group.severity]}
                                        </span>
                                        , weight {group.weight}
                                    </span>
                                </span>
                                <span className="whitespace-nowrap text-ink-2">{countOf(group)}</span>
                            </button>
                        </li>
                    ))}
                    {findings.data?.length === 0 && (
                        <li className="px-4 py-3 text-reed">Nothing was found. Every page passes every check.</li>
                    )}
                </ul>
            </div>
            {chosen !== undefined && chosen.of !== 'pages' && <SiteFaults group={chosen} onFault={onFault} />}
            {chosen !== undefined && chosen.of === 'pages' && (
                <FindingGroup
                    key={chosen.check}
                    group={chosen}
                    all={isAll}
                    onPage={onPage}
                    onEntry={onEntry}
                    onGrid={() => set({ part: 'grid', check: chosen.check })}
                />
            )}
            {isDismissed && <Dismissed onClose={() => showDismissed(false)} />}
        </div>
    )
}
