import type { ReactNode } from 'react'
import { MenuAct, MenuLine, MenuList } from '../../ui/MenuList'
import { MenuChoice } from '../../ui/MenuChoice'
import { columns as all, type Columns } from './columns'

/** Which columns the outline shows. */
export function ColumnChoices({ trigger, columns }: { trigger: ReactNode; columns: Columns }) {
    return (
        <MenuList trigger={trigger} align="end" className="min-w-[190px]">
            {all.map(({ key, name }) => (
                <MenuChoice key={key} word={name} isOn={columns.shown.includes(key)} onTurn={() => columns.turn(key)} />
            ))}
            <MenuLine />
            <MenuAct onSelect={columns.reset}>As they were at first</MenuAct>
        </MenuList>
    )
}
