import { useNavigate } from '@tanstack/react-router'
import type { ReactNode } from 'react'
import { useSite, type Right } from '../../app/site'
import { actLabel, actsOn, type PageAct } from '../../app/pageActs'
import { Kbd } from '../../ui/Kbd'
import { MenuAct, MenuLine, MenuList } from '../../ui/MenuList'
import type { RowAct } from './RowMenu'
import type { Page } from './rows'

const always: [RowAct, string, string[]][] = [
    ['make-inside', 'New page inside', ['N']],
    ['make-after', 'New page after', ['Shift', 'N']],
    ['make-from', 'New page from a starting point…', []],
    ['name', 'Rename', ['F2']],
    ['slug', 'Change slug', ['Shift', 'F2']],
    ['move', 'Move to…', ['M']],
]
const keysOf: Partial<Record<PageAct, string[]>> = { duplicate: ['Ctrl', 'D'], 'put-in-bin': ['Del'] }

type Props = { trigger: ReactNode; page: Page; onAct: (act: RowAct) => void; onClose?: () => void }

export function RowActs({ trigger, page, onAct, onClose }: Props) {
    const { may, maySomewhere, isOwner, key, session } = useSite()
    const goesElsewhere = session.sites.some(each => each.key !== key && each.somewhere.includes('structure'))
    // What is said of rights in some branch is known of each row; otherwise it is the same everywhere.
    const mayHere = (right: Right) => page.rights?.includes(right) ?? maySomewhere(right)
    const acts = actsOn(page, mayHere, isOwner)
    const navigate = useNavigate()
    const entry = (act: RowAct, label: string, keys: string[]) => (
        <MenuAct
            key={act}
            // What is done may take the focus, once the menu has let it go.
            onSelect={() => setTimeout(() => onAct(act))}
            className={act === 'put-in-bin' ? 'text-berry' : ''}
        >
            {label}
            <span className="ml-auto flex gap-1 pl-2">
                {keys.map(key => (
                    <Kbd key={key}>{key}</Kbd>
                ))}
            </span>
        </MenuAct>
    )
    return (
        <MenuList
            trigger={trigger}
            offset={2}
            keepsFocus
            className="min-w-[230px]"
            onOpen={open => open || onClose?.()}
        >
            {page.kind === 'page' && entry('write', mayHere('write') ? 'Write on the page' : 'Read the page', ['E'])}
            {mayHere('structure') ? (
                always.map(([act, label, keys]) => entry(act, label, keys))
            ) : (
                <p className="max-w-[230px] px-2.5 py-1 text-[12px] text-ink-3">
                    {page.rights?.length === 0
                        ? 'You see this page only as the way to pages inside it.'
                        : 'To make, rename and move pages here you need the right “make and move”.'}
                </p>
            )}
            {may('menus') && entry('pick', 'Add to picks…', ['P'])}
            <MenuAct
                onSelect={() =>
                    void navigate({ to: '/s/$site/replace', params: { site: key }, search: { branch: page.id } })
                }
            >
                Find and replace inside…
            </MenuAct>
            {(acts.length > 0 || may('settings')) && <MenuLine />}
            {acts.map(act => entry(act, actLabel(act), keysOf[act] ?? []))}
            {may('settings') && entry('keep', 'Keep as a starting point…', [])}
            {goesElsewhere && mayHere('structure') && entry('to-site', 'Move to another site…', [])}
        </MenuList>
    )
}
