import clsx from 'clsx'
import { ChevronDown } from 'lucide-react'
import { DropdownMenu } from 'radix-ui'
import type { Schemas } from '../../api/client'
import { MenuChoice } from '../../ui/MenuChoice'
import { among, turned } from '../../ui/several'
import { findingWords } from './findingWords'
import type { Search, SetSearch } from './search'
import { kinds } from './labels'

type Findings = Schemas['RedirectFinding'][]

const states: [string, string][] = [
    ['off', 'Off'],
    ['waiting', 'Not yet'],
    ['over', 'Expired'],
    ['front', 'Overrides a page'],
]
const origins: [string, string][] = [
    ['by-hand', 'Made by hand'],
    ['from-change', 'Written by a change'],
    ['from-import', 'From an import'],
]

/** Filters the addresses: by any part of one, by what answers, and by state, origin, findings and use. */
export function AddressFacets({
    search,
    set,
    counts,
    findings,
}: {
    search: Search
    set: SetSearch
    counts: Record<string, number>
    findings: Findings
}) {
    const chosen = among(search.kind)
    const only = [...among(search.status), ...among(search.finding), ...(search.hits === undefined ? [] : ['never'])]
    const found = [...new Set(findings.map(each => each.kind))]
    const label = 'px-2.5 pt-1.5 pb-0.5 text-[12px] text-ink-3'
    return (
        <div className="flex flex-wrap items-center gap-1 border-b border-line px-4 pb-2.5">
            <input
                aria-label="Filter addresses"
                placeholder="Address, note or name"
                value={search.text ?? ''}
                onChange={event => set({ text: event.target.value === '' ? undefined : event.target.value })}
                className="mr-2 h-7 w-[172px] border-b border-edge bg-transparent outline-none focus:border-heron"
            />
            {kinds
                .filter(([kind]) => (counts[kind] ?? 0) > 0 || chosen.includes(kind))
                .map(([kind, word]) => (
                    <button
                        key={kind}
                        type="button"
                        aria-pressed={chosen.includes(kind)}
                        onClick={() => set({ kind: turned(search.kind, kind), row: undefined })}
                        className={clsx(
                            'h-7 rounded-full border px-2 text-[13px]',
                            chosen.includes(kind)
                                ? 'border-heron bg-heron-soft font-semibold text-heron'
                                : 'border-transparent text-ink-2 hover:bg-sunk',
                        )}
                    >
                        {word}{' '}
                        <span className="text-ink-3 tabular-nums">{(counts[kind] ?? 0).toLocaleString('en-GB')}</span>
                    </button>
                ))}
            <DropdownMenu.Root>
                <DropdownMenu.Trigger
                    className={clsx(
                        'ml-auto flex h-7 items-center gap-1 rounded px-2 text-[13px] whitespace-nowrap hover:bg-sunk',
                        only.length > 0 ? 'font-semibold text-heron' : 'text-ink-2',
                    )}
                >
                    {only.length > 0 ? `Filters (${only.length})` : 'Filter'} <ChevronDown size={13} aria-hidden />
                </DropdownMenu.Trigger>
                <DropdownMenu.Portal>
                    <DropdownMenu.Content
                        align="end"
                        sideOffset={4}
                        className="z-50 max-h-[70vh] min-w-[230px] overflow-y-auto rounded-md bg-sheet p-1 shadow-float"
                    >
                        <DropdownMenu.Label className={label}>State</DropdownMenu.Label>
                        {states.map(([state, word]) => (
                            <MenuChoice
                                key={state}
                                isOn={among(search.status).includes(state)}
                                word={word}
                                onTurn={() => set({ status: turned(search.status, state), row: undefined })}
                            />
                        ))}
                        <MenuChoice
                            isOn={search.hits === 'never'}
                            word="Never hit"
                            onTurn={() => set({ hits: search.hits === 'never' ? undefined : 'never', row: undefined })}
                        />
                        <DropdownMenu.Label className={label}>Origin</DropdownMenu.Label>
                        {origins.map(([origin, word]) => (
                            <MenuChoice
                                key={origin}
                                isOn={among(search.status).includes(origin)}
                                word={word}
                                onTurn={() => set({ status: turned(search.status, origin), row: undefined })}
                            />
                        ))}
                        {found.length > 0 && <DropdownMenu.Label className={label}>Findings</DropdownMenu.Label>}
                        {found.map(kind => (
                            <MenuChoice
                                key={kind}
                                isOn={among(search.finding).includes(kind)}
                                word={findingWords[kind][0]}
                                count={findings.filter(each => each.kind === kind).length}
                                onTurn={() => set({ finding: turned(search.finding, kind), row: undefined })}
                            />
                        ))}
                        {only.length > 0 && (
                            <>
                                <DropdownMenu.Separator className="my-1 h-px bg-line" />
                                <DropdownMenu.Item
                                    className="cursor-pointer rounded px-2.5 py-1 outline-none data-[highlighted]:bg-heron-soft"
                                    onSelect={() => set({ status: undefined, finding: undefined, hits: undefined })}
                                >
                                    Show all again
                                </DropdownMenu.Item>
                            </>
                        )}
                    </DropdownMenu.Content>
                </DropdownMenu.Portal>
            </DropdownMenu.Root>
        </div>
    )
}
