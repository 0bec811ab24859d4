import { DropdownMenu } from 'radix-ui'
import type { ReactNode } from 'react'
import { MenuChoice } from '../../ui/MenuChoice'
import { MenuList } from '../../ui/MenuList'

type Choice = { value: string; isOn: boolean; label: ReactNode; count: number }
type Props = {
    trigger: ReactNode
    choices: Choice[]
    counted: boolean
    onOpen: (open: boolean) => void
    onTurn: (value: string) => void
    /** What else the menu offers. */
    more?: readonly [string, () => void]
}

/** What a facet may be, each with how many pages are so. */
export function FacetChoices({ trigger, choices, counted, onOpen, onTurn, more }: Props) {
    return (
        <MenuList trigger={trigger} onOpen={onOpen} className="min-w-[180px]">
            {choices.map(({ value, isOn, label, count }) => (
                <MenuChoice key={value} isOn={isOn} word={label} count={count} onTurn={() => onTurn(value)} />
            ))}
            {choices.length === 0 && (
                <p className="px-2.5 py-1 text-ink-3">{counted ? 'Nothing to choose from.' : 'Counting…'}</p>
            )}
            {more !== undefined && (
                <DropdownMenu.Item
                    onSelect={more[1]}
                    className="mt-1 cursor-default border-t border-line px-2.5 pt-2 pb-1.5 text-heron outline-none data-[highlighted]:bg-sunk"
                >
                    {more[0]}
                </DropdownMenu.Item>
            )}
        </MenuList>
    )
}
