import { useDraggable } from '@dnd-kit/core'
import { useQuery } from '@tanstack/react-query'
import { ChevronDown, ChevronRight, Plus } from 'lucide-react'
import { useState } from 'react'
import { branchQuery, goToQuery } from '../../api/queries'
import { useSite } from '../../app/site'
import { readable } from '../../ui/Address'
import { inputClasses } from '../../ui/Field'
import { SidePanel } from '../../ui/SidePanel'
import { useDebounced } from '../../ui/useDebounced'
import { ReadFailure } from '../../ui/ReadFailure'

type Page = { id: string; name: string; address: string; children?: number }
type Props = { onAdd: (page: Page) => void; onClose: () => void }

/** The pages of the site beside a menu: found by any part of a name or address, or in the tree; dragged in, or added by their button. */
export function PagesBeside({ onAdd, onClose }: Props) {
    const site = useSite()
    const [text, setText] = useState('')
    const asked = useDebounced(text.trim(), 80)
    const found = useQuery({ ...goToQuery(site.key, asked), enabled: asked !== '' })
    const hits = found.data ?? []
    return (
        <SidePanel
            label="Pages"
            title="Pages"
            description="Drag one to where it belongs."
            close="Close the pages"
            width="w-[280px]"
            onClose={onClose}
        >
            <div className="px-3 pb-2">
                <input
                    aria-label="Find a page"
                    placeholder="Find a page"
                    value={text}
                    onChange={event => setText(event.target.value)}
                    className={inputClasses}
                />
            </div>
            <ul className="min-h-0 flex-1 overflow-y-auto px-1.5 pb-3">
                {asked === '' ? (
                    <Branch parent={null} level={0} onAdd={onAdd} />
                ) : (
                    hits.map(hit => <Item key={hit.id} page={hit} level={0} onAdd={onAdd} />)
                )}
                {found.isError && (
                    <li>
                        <ReadFailure of={found} />
                    </li>
                )}
                {asked !== '' && hits.length === 0 && !found.isError && (
                    <li className="px-2 py-1 text-ink-3">No page has “{asked}” in its name or address.</li>
                )}
            </ul>
        </SidePanel>
    )
}

function Branch({ parent, level, onAdd }: { parent: string | null; level: number; onAdd: Props['onAdd'] }) {
    const site = useSite()
    const branch = useQuery(branchQuery(site.key, parent, 0))
    const { data } = branch
    return (
        <>
            {branch.isError && (
                <li>
                    <ReadFailure of={branch} />
                </li>
            )}
            {data?.rows.map(row => (
                <Item key={row.id} page={row} level={level} onAdd={onAdd} />
            ))}
            {data !== undefined && data.total > data.rows.length && (
                <li className="px-2 py-1 text-[12px] text-ink-3">
                    and {data.total - data.rows.length} more; type to find them
                </li>
            )}
        </>
    )
}

function Item({ page, level, onAdd }: { page: Page; level: number; onAdd: Props['onAdd'] }) {
    const [isOpen, setOpen] = useState(false)
    const { setNodeRef, listeners, isDragging } = useDraggable({
        id: `page ${page.id}`,
        data: { page: { id: page.id, name: page.name } },
    })
    const Fold = isOpen ? ChevronDown : ChevronRight
    return (
        <>
            <li
                ref={setNodeRef}
                {...listeners}
                className={`group flex h-8 cursor-grab items-center gap-1 rounded px-1 hover:bg-sunk ${isDragging ? 'opacity-40' : ''}`}
                style={{ paddingLeft: 4 + level * 16 }}
            >
                {page.children !== undefined && page.children > 0 ? (
                    <button
                        type="button"
                        aria-label={`${isOpen ? 'Close' : 'Open'} ${page.name}`}
                        aria-expanded={isOpen}
                        onClick={() => setOpen(!isOpen)}
                        className="grid size-5 shrink-0 place-items-center text-ink-3"
                    >
                        <Fold size={13} strokeWidth={2.4} aria-hidden />
                    </button>
                ) : (
                    <span className="w-5 shrink-0" />
                )}
                <span className="min-w-0 flex-1 truncate">
                    <b className="font-medium">{page.name}</b>{' '}
                    {page.children === undefined && (
                        <span className="font-mono text-[12px] text-ink-3">{readable(page.address)}</span>
                    )}
                </span>
                <button
                    type="button"
                    aria-label={`Add ${page.name}`}
                    onClick={() => onAdd(page)}
                    className="grid size-6 shrink-0 place-items-center rounded text-heron opacity-0 group-hover:opacity-100 hover:bg-heron-soft focus-visible:opacity-100"
                >
                    <Plus size={15} aria-hidden />
                </button>
            </li>
            {isOpen && <Branch parent={page.id} level={level + 1} onAdd={onAdd} />}
        </>
    )
}
