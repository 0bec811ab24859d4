import { Monitor, Smartphone } from 'lucide-react'
import { Button } from '../../ui/Button'
import { Hint } from '../../ui/Hint'
import { Select } from '../../ui/Select'
import { When } from '../../ui/When'
import { lines, type Entry } from './arrangement'
import type { Search, SetSearch } from './search'

type Props = { entries: Entry[]; search: Search; set: SetSearch }

/** As whom, when and how wide a menu is looked at. */
export function LookAs({ entries, search, set }: Props) {
    const viewers = [
        ['', 'a visitor'],
        ['signed-in', 'somebody signed in'],
        ...rolesIn(entries).map(role => [`roles:${role}`, `signed in as ${role}`] as const),
    ] as const
    const width = (value: 'phone' | undefined, label: string, hint: string, Sign: typeof Monitor) => (
        <Hint description={hint}>
            <Button
                aria-label={label}
                aria-pressed={search.width === value}
                variant={search.width === value ? 'plain' : 'quiet'}
                onClick={() => set({ width: value })}
            >
                <Sign size={15} aria-hidden />
            </Button>
        </Hint>
    )
    return (
        <div className="flex flex-wrap items-end gap-x-4 gap-y-2 border-y border-line bg-sunk px-4 py-2">
            <label className="flex items-center gap-2 text-ink-2">
                As{' '}
                <Select
                    aria-label="Who looks"
                    className="w-auto!"
                    value={search.who ?? ''}
                    choices={viewers}
                    onChoose={who => set({ who: who === '' ? undefined : who })}
                />
            </label>
            <When value={search.at ?? ''} onChange={at => set({ at: at === '' ? undefined : at })} />
            <div role="group" aria-label="Width" className="ml-auto flex gap-1">
                {width(undefined, 'Wide', 'On a wide screen', Monitor)}
                {width('phone', 'Phone', 'On a phone', Smartphone)}
            </div>
        </div>
    )
}

function rolesIn(entries: Entry[]) {
    return [
        ...new Set(
            lines(entries).flatMap(({ entry }) =>
                entry.audience?.startsWith('roles:') === true
                    ? entry.audience
                          .slice(6)
                          .split(',')
                          .map(role => role.trim())
                          .filter(role => role !== '')
                    : [],
            ),
        ),
    ]
}
