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
}

/** What a facet may be, each with how many pages are so. */
export function FacetChoices({ trigger, choices, counted, onOpen, onTurn }: Props) {
    return (
        <MenuList trigger={trigger} onOpen={onOpen} className="min-w-[180px]">
            {choices.map(({ value, isOn, label, count }) => (
                <MenuChoice key={value} isOn={isOn} word={label} count={count} onTurn={() => onTurn(value)} />
            ))}
            {choices.length === 0 && (
                <p className="px-2.5 py-1 text-ink-3">{counted ? 'Nothing to choose from.' : 'Counting…'}</p>
            )}
        </MenuList>
    )
}
