import { Check } from 'lucide-react'
import { DropdownMenu } from 'radix-ui'
import type { ReactNode } from 'react'

/** A choice of a menu that stays open: on or off, with how many there are. */
export function MenuChoice({
    isOn,
    word,
    count,
    onTurn,
}: {
    isOn: boolean
    word: ReactNode
    count?: number
    onTurn: () => void
}) {
    return (
        <DropdownMenu.CheckboxItem
            checked={isOn}
            onCheckedChange={onTurn}
            onSelect={event => event.preventDefault()}
            className="flex cursor-pointer items-center gap-2 rounded px-2.5 py-1 outline-none data-[highlighted]:bg-heron-soft"
        >
            <span className="grid size-4 place-items-center">
                <DropdownMenu.ItemIndicator>
                    <Check size={14} aria-hidden />
                </DropdownMenu.ItemIndicator>
            </span>
            {word}
            {count !== undefined && <span className="ml-auto pl-3 text-ink-3">{count.toLocaleString('en-GB')}</span>}
        </DropdownMenu.CheckboxItem>
    )
}
