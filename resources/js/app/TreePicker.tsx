import { useQuery } from '@tanstack/react-query'
import { Command } from 'cmdk'
import clsx from 'clsx'
import { ChevronDown, ChevronRight } from 'lucide-react'
import { useState } from 'react'
import { branchQuery } from '../api/queries'
import { readable } from '../ui/Address'
import { ReadFailure } from '../ui/ReadFailure'

type Props = {
    site: string
    onPick: (page: { id: string; name: string }) => void
    chosen?: string | null
    without?: string
}

/** The tree inside a list of choices: branches open on their arrow, a page is picked by its name. Stands inside a cmdk list. */
export function TreePicker(props: Props) {
    return <Children {...props} parent={null} level={0} />
}

function Children({ site, parent, level, ...rest }: Props & { parent: string | null; level: number }) {
    const [open, setOpen] = useState<Set<string>>(() => new Set())
    const branch = useQuery(branchQuery(site, parent, 0))
    const { data } = branch
    const turn = (id: string) =>
        setOpen(before => (before.has(id) ? new Set([...before].filter(each => each !== id)) : new Set(before).add(id)))
    if (data === undefined) return <ReadFailure of={branch} />
    return (
        <>
            {data.rows
                .filter(row => row.id !== rest.without)
                .map(row => {
                    const isOpen = open.has(row.id)
                    const Fold = isOpen ? ChevronDown : ChevronRight
                    return (
                        <div key={row.id}>
                            <Command.Item
                                value={row.id}
                                onSelect={() => rest.onPick({ id: row.id, name: row.name })}
                                className="flex cursor-pointer items-center gap-2 rounded px-2.5 py-1 data-[selected=true]:bg-heron-soft"
                                style={{ paddingLeft: 10 + level * 18 }}
                            >
                                <span
                                    aria-hidden
                                    onClick={event => {
                                        event.stopPropagation()
                                        turn(row.id)
                                    }}
                                    className={clsx(
                                        'grid size-5 place-items-center text-ink-3',
                                        row.children === 0 && 'invisible',
                                    )}
                                >
                                    <Fold size={13} strokeWidth={2.4} />
                                </span>
                                <span className="font-medium">{row.name}</span>
                                <span className="truncate font-mono text-[12px] text-ink-3">
                                    {readable(row.address)}
                                </span>
                                {rest.chosen === row.id && <b className="ml-auto text-[12px] text-heron">chosen</b>}
                            </Command.Item>
                            {isOpen && <Children {...rest} site={site} parent={row.id} level={level + 1} />}
                        </div>
                    )
                })}
            {data.total > data.rows.length && (
                <p className="px-3 py-1 text-[12px] text-ink-3">
                    and {data.total - data.rows.length} more; type to find them
                </p>
            )}
        </>
    )
}
