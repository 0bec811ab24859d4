import clsx from 'clsx'
import type { Schemas } from '../../api/client'

type Group = Schemas['FieldGroup']

type Props = { groups: Group[]; chosen: string | undefined; onChoose: (group: string) => void }

/** The groups of a collection, nested ones further in. */
export function GroupList({ groups, chosen, onChoose }: Props) {
    const level = (group: Group) => groups.filter(other => group.address.startsWith(`${other.address}/`)).length
    return (
        <ul aria-label="Groups" className="mb-1 ml-3 border-l-2 border-heron-soft">
            {groups.map(group => (
                <li key={group.id}>
                    <button
                        type="button"
                        aria-current={group.id === chosen}
                        onClick={() => onChoose(group.id)}
                        style={{ paddingLeft: 10 + 12 * level(group) }}
                        className={clsx(
                            'flex w-full items-baseline gap-2 rounded-r py-1 pr-2.5 text-left',
                            group.id === chosen ? 'font-semibold text-heron' : 'text-ink-2 hover:bg-sunk',
                        )}
                    >
                        <span className="min-w-0 flex-1 truncate">{group.name}</span>
                        <span className="text-[12px] font-normal text-ink-3">{group.pages}</span>
                    </button>
                </li>
            ))}
        </ul>
    )
}
