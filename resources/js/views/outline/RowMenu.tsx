import clsx from 'clsx'
import { Ellipsis } from 'lucide-react'
import { DropdownMenu } from 'radix-ui'
import { useState } from 'react'
import { useSite } from '../../app/site'
import { actsOn, actLabel, type PageAct } from '../../app/usePageActs'
import { Kbd } from '../../ui/Kbd'
import type { Page } from './rows'

export type RowAct = 'make-inside' | 'make-after' | 'name' | 'slug' | 'move' | 'pick' | PageAct

const always: [RowAct, string, string[]][] = [
    ['make-inside', 'New page inside', ['N']],
    ['make-after', 'New page after', ['Shift', 'N']],
    ['name', 'Rename', ['F2']],
    ['slug', 'Change slug', ['Shift', 'F2']],
    ['move', 'Move to…', ['M']],
]
const keysOf: Partial<Record<PageAct, string[]>> = { duplicate: ['Ctrl', 'D'], 'put-in-bin': ['Del'] }

/** What can be done to a row, for the mouse, with the keys beside for next time. */
export function RowMenu({ page, shown, onAct }: { page: Page; shown: boolean; onAct: (act: RowAct) => void }) {
    const { writes, manages, role } = useSite()
    const [used, setUsed] = useState(false)
    if (!writes) return null
    const look = clsx(
        'ml-1.5 size-6 flex-none place-items-center rounded text-ink-3 hover:bg-line hover:text-ink data-[state=open]:grid',
        shown ? 'grid' : 'hidden group-hover/row:grid',
    )
    // There is one in every row, and few are ever opened: the menu itself comes with the first press.
    if (!used) {
        return (
            <button
                type="button"
                tabIndex={-1}
                aria-haspopup="menu"
                aria-label={`Change ${page.name}`}
                onClick={event => {
                    event.stopPropagation()
                    setUsed(true)
                }}
                onDoubleClick={event => event.stopPropagation()}
                className={look}
            >
                <Ellipsis size={15} aria-hidden />
            </button>
        )
    }
    const entry = (act: RowAct, words: string, keys: string[]) => (
        <DropdownMenu.Item
            key={act}
            onSelect={() => setTimeout(() => onAct(act))}
            className={clsx(
                'flex cursor-pointer items-center gap-4 rounded px-2.5 py-1 outline-none data-[highlighted]:bg-heron-soft',
                act === 'put-in-bin' && 'text-berry',
            )}
        >
            {words}
            <span className="ml-auto flex gap-1">
                {keys.map(key => (
                    <Kbd key={key}>{key}</Kbd>
                ))}
            </span>
        </DropdownMenu.Item>
    )
    return (
        <DropdownMenu.Root defaultOpen>
            <DropdownMenu.Trigger
                tabIndex={-1}
                aria-label={`Change ${page.name}`}
                onClick={event => event.stopPropagation()}
                onDoubleClick={event => event.stopPropagation()}
                className={look}
            >
                <Ellipsis size={15} aria-hidden />
            </DropdownMenu.Trigger>
            <DropdownMenu.Portal>
                <DropdownMenu.Content
                    align="start"
                    sideOffset={2}
                    collisionPadding={8}
                    onCloseAutoFocus={event => event.preventDefault()}
                    className="z-50 max-h-[80vh] min-w-[230px] overflow-y-auto rounded-md bg-sheet p-1 shadow-float"
                >
                    {always.map(([act, words, keys]) => entry(act, words, keys))}
                    {manages && entry('pick', 'Pick for a place…', ['P'])}
                    <DropdownMenu.Separator className="my-1 h-px bg-line" />
                    {actsOn(page, role).map(act => entry(act, actLabel(act), keysOf[act] ?? []))}
                </DropdownMenu.Content>
            </DropdownMenu.Portal>
        </DropdownMenu.Root>
    )
}
