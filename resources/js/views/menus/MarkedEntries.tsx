import { DropdownMenu } from 'radix-ui'
import type { Schemas } from '../../api/client'
import { Button } from '../../ui/Button'
import { count } from '../../ui/count'

type Props = {
    marked: number
    others: Schemas['MenuItem'][]
    onElsewhere: (menu: string) => void
    onOut: () => void
    onClear: () => void
}

/** What is done to the entries that are marked. */
export function MarkedEntries({ marked, others, onElsewhere, onOut, onClear }: Props) {
    return (
        <section
            aria-label="Marked"
            className="flex flex-wrap items-center gap-2 border-b border-line bg-reed-soft px-4 py-1.5"
        >
            <p className="font-semibold text-reed" aria-live="polite">
                {count(marked, 'entry', 'entries')} marked
            </p>
            <span className="ml-auto flex gap-2">
                <ToMenu others={others} onMenu={onElsewhere} />
                <Button variant="breaks" onClick={onOut}>
                    Remove
                </Button>
                <Button onClick={onClear}>Unmark</Button>
            </span>
        </section>
    )
}

/** Chooses another menu to move entries to. */
export function ToMenu({ others, onMenu }: { others: Schemas['MenuItem'][]; onMenu: (menu: string) => void }) {
    return (
        <DropdownMenu.Root>
            <DropdownMenu.Trigger asChild>
                <Button disabled={others.length === 0}>To another menu…</Button>
            </DropdownMenu.Trigger>
            <DropdownMenu.Portal>
                <DropdownMenu.Content
                    align="end"
                    sideOffset={4}
                    className="z-50 min-w-[180px] rounded-md bg-sheet p-1 shadow-float"
                >
                    {others.map(menu => (
                        <DropdownMenu.Item
                            key={menu.id}
                            onSelect={() => onMenu(menu.id)}
                            className="cursor-pointer rounded px-2.5 py-1.5 outline-none data-[highlighted]:bg-heron-soft"
                        >
                            {menu.name}
                        </DropdownMenu.Item>
                    ))}
                </DropdownMenu.Content>
            </DropdownMenu.Portal>
        </DropdownMenu.Root>
    )
}
