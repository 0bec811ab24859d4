import clsx from 'clsx'
import { Ellipsis } from 'lucide-react'
import { DropdownMenu } from 'radix-ui'
import { useSite } from '../../app/site'
import { Kbd } from '../../ui/Kbd'
import type { Page } from './rows'

export type RowAct = 'make-inside' | 'make-after' | 'name' | 'slug' | 'move'

const acts: [RowAct, string, string[]][] = [
    ['make-inside', 'New page inside', ['N']],
    ['make-after', 'New page after', ['Shift', 'N']],
    ['name', 'Rename', ['F2']],
    ['slug', 'Change slug', ['Shift', 'F2']],
    ['move', 'Move to…', ['M']],
]

/** What can be done to a row, for the mouse, with the keys beside for next time. */
export function RowMenu({ page, shown, onAct }: { page: Page; shown: boolean; onAct: (act: RowAct) => void }) {
    const { writes } = useSite()
    if (!writes) return null
    return (
        <DropdownMenu.Root>
            <DropdownMenu.Trigger
                tabIndex={-1}
                aria-label={`Change ${page.name}`}
                onClick={event => event.stopPropagation()}
                onDoubleClick={event => event.stopPropagation()}
                className={clsx('ml-1.5 size-6 flex-none place-items-center rounded text-ink-3 hover:bg-line hover:text-ink data-[state=open]:grid', shown ? 'grid' : 'hidden group-hover/row:grid')}
            >
                <Ellipsis size={15} aria-hidden />
            </DropdownMenu.Trigger>
            <DropdownMenu.Portal>
                <DropdownMenu.Content align="start" sideOffset={2} onCloseAutoFocus={event => event.preventDefault()} className="z-50 min-w-[210px] rounded-md bg-sheet p-1 shadow-float">
                    {acts.map(([act, words, keys]) => (
                        <DropdownMenu.Item key={act} onSelect={() => setTimeout(() => onAct(act))} className="flex cursor-pointer items-center gap-4 rounded px-2.5 py-1 outline-none data-[highlighted]:bg-heron-soft">
                            {words}
                            <span className="ml-auto flex gap-1">{keys.map(key => <Kbd key={key}>{key}</Kbd>)}</span>
                        </DropdownMenu.Item>
                    ))}
                </DropdownMenu.Content>
            </DropdownMenu.Portal>
        </DropdownMenu.Root>
    )
}
