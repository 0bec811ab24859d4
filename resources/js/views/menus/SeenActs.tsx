import type { Schemas } from '../../api/client'
import { AtPointer } from '../../ui/AtPointer'
import { MenuAct, MenuLine, MenuList } from '../../ui/MenuList'
import type { Step } from './arrangement'
import type { SeenEditing } from './useSeenEditing'

type Shown = Schemas['ShownEntry']
type Props = {
    at: { of: Shown; x: number; y: number }
    editing: SeenEditing
    onName: (one: Shown) => void
    onClose: () => void
}

const steps: [Step, string][] = [
    ['up', 'Move earlier'],
    ['down', 'Move later'],
    ['in', 'Put under the one before'],
    ['out', 'Out to the level above'],
]

/** What can be done to an item of a menu where it is seen. */
export function SeenActs({ at: { of: one, x, y }, editing, onName, onClose }: Props) {
    const isLeftOut = one.hidden === 'left-out'
    return (
        <MenuList
            trigger={<AtPointer x={x} y={y} label={`Change ${one.label}`} />}
            offset={0}
            keepsFocus
            className="min-w-[210px]"
            onOpen={open => open || onClose()}
        >
            {isLeftOut ? (
                <MenuAct onSelect={() => editing.leaveOut(one, false)}>Show again</MenuAct>
            ) : (
                <>
                    {one.kind !== 'separator' && (
                        <MenuAct onSelect={() => setTimeout(() => onName(one))}>Rename here…</MenuAct>
                    )}
                    {steps.map(([to, label]) => (
                        <MenuAct key={to} onSelect={() => editing.step(one, to)}>
                            {label}
                        </MenuAct>
                    ))}
                    <MenuLine />
                    {one.kind === 'branch' && one.page !== null ? (
                        <MenuAct onSelect={() => editing.leaveOut(one, true)}>Leave out of this menu</MenuAct>
                    ) : (
                        <MenuAct className="text-berry" onSelect={() => editing.remove(one)}>
                            Remove
                        </MenuAct>
                    )}
                </>
            )}
            {one.page !== null && (
                <>
                    <MenuLine />
                    <MenuAct onSelect={() => editing.openPage(one.page ?? '')}>Open the page</MenuAct>
                </>
            )}
        </MenuList>
    )
}
