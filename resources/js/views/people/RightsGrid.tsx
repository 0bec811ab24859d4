import { useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { keys } from '../../api/queries'
import { AskBeforeLeaving } from '../../app/AskBeforeLeaving'
import { useChanges } from '../../app/changes'
import { PickPage } from '../../app/PickPage'
import { useSite } from '../../app/site'
import { Button } from '../../ui/Button'
import { count } from '../../ui/count'
import { ReadFailure } from '../../ui/ReadFailure'
import { Select } from '../../ui/Select'
import { useKept } from '../../ui/useKept'
import { rightsQuery } from './queries'
import { cellKey, isOpen, withCells, type Column, type Row, type Says, type Typed } from './rightCells'
import { RightsTable } from './RightsTable'
import { WhyPanel } from './WhyPanel'

type Props = { branch: string | null; onBranch: (branch: string | null) => void }

const nothing: Typed = {}

/** Roles and people by rights, in a branch or on the whole site, set like a spreadsheet and saved as one change. */
export function RightsGrid({ branch, onBranch }: Props) {
    const site = useSite()
    const queries = useQueryClient()
    const { propose } = useChanges()
    const grid = useQuery(rightsQuery(site.key, branch))
    const [set, keep] = useKept(`heronstem.rights.${site.key}.${branch ?? ''}`, nothing)
    const [picking, pick] = useState(false)
    const [picked, setPicked] = useState<{ id: string; name: string } | null>(null)
    const [active, setActive] = useState<{ who: string; right: string } | null>(null)
    const rows = grid.data?.rows ?? []
    const columns = grid.data?.rights ?? []
    const changed = Object.keys(set).length
    const branches = grid.data?.branches ?? []
    const known = branch === null || branches.some(each => each.id === branch)
    const choices = [
        ['', 'The whole site'],
        ...branches.map(each => [each.id, `${each.name} (${count(each.lines, 'line')})`] as const),
        ...(known ? [] : [[branch, picked?.id === branch ? picked.name : 'The chosen branch'] as const]),
        ['other', 'Another branch…'],
    ] as const
    const save = () =>
        void propose({
            title: `Setting ${count(changed, 'right')}`,
            act: 'Save rights',
            batch: {
                changes: [
                    {
                        kind: 'set-rights',
                        lines: Object.entries(set).map(([key, says]) => {
                            const [who = '', right = ''] = key.split(' ')
                            return { who, branch, right: right as Column['right'], says }
                        }),
                    },
                ],
            },
            done: () => {
                keep(null)
                void queries.invalidateQueries({ queryKey: keys.session })
            },
        })
    const type = (cells: [Row, Column][], says: Says) => {
        const open = cells.filter(([row, column]) => isOpen(row, column, branch))
        const next = withCells(set, open, says)
        keep(Object.keys(next).length === 0 ? null : next)
    }
    return (
        <div className="flex min-h-0 flex-1">
            <div className="flex min-w-0 flex-1 flex-col">
                <div className="flex h-14 shrink-0 items-center gap-3 border-b border-line px-4">
                    <label className="flex items-center gap-2 text-ink-2">
                        In{' '}
                        <Select
                            aria-label="Branch"
                            className="w-[230px]!"
                            value={branch ?? ''}
                            choices={choices}
                            onChoose={chosen =>
                                chosen === 'other' ? pick(true) : onBranch(chosen === '' ? null : chosen)
                            }
                        />
                    </label>
                    <p className="hidden text-[12px] text-ink-3 lg:block">
                        The nearest branch that says something decides.
                    </p>
                    <span className="ml-auto" />
                    {changed > 0 && <Button onClick={() => keep(null)}>Discard changes</Button>}
                    <Button variant={changed > 0 ? 'main' : 'plain'} disabled={changed === 0} onClick={save}>
                        Save rights
                    </Button>
                </div>
                <ReadFailure of={grid} />
                {grid.data !== undefined && (
                    <RightsTable
                        rows={rows}
                        columns={columns}
                        branch={branch}
                        set={set}
                        onSet={type}
                        onActive={(row, column) => setActive({ who: row.who, right: column.right })}
                    />
                )}
                <p className="flex flex-wrap gap-x-5 gap-y-1 border-t border-line px-4 py-2 text-[12px] text-ink-3">
                    <span>Arrow keys move, with Shift they mark several.</span>
                    <span>Space changes a cell; A allows, D denies, Delete says nothing.</span>
                    <span>Copy and paste work as in a spreadsheet.</span>
                </p>
            </div>
            <WhyPanel
                row={rows.find(row => row.who === active?.who) ?? null}
                column={columns.find(column => column.right === active?.right) ?? null}
                isSet={(row, column) => cellKey(row, column) in set}
            />
            <PickPage
                open={picking}
                title="Rights in which branch?"
                onClose={() => pick(false)}
                onPick={page => {
                    pick(false)
                    setPicked(page)
                    onBranch(page.id)
                }}
            />
            <AskBeforeLeaving
                unsaved={changed > 0}
                part="branch"
                title="Leave with unsaved rights?"
                description="What you set is kept in this browser tab and shown when you come back."
                leave="Leave, keep what I set"
            />
        </div>
    )
}
