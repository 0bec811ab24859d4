import { inputClasses } from '../../ui/Field'
import { Select } from '../../ui/Select'
import { orders, type Shown } from './matching'

const filters: [Shown['only'], string][] = [
    ['all', 'All rows'],
    ['accepted', 'Accepted'],
    ['open', 'Not accepted'],
    ['none', 'Without a page'],
    ['nothing', 'Probably nothing'],
    ['changed', 'Changed by what was chosen'],
]

type Props = { shown: Shown; set: (change: Partial<Shown>) => void; found: number; all: number }

/** Which rows are shown, and in which order. */
export function FilterBar({ shown, set, found, all }: Props) {
    return (
        <div className="flex flex-wrap items-center gap-x-4 gap-y-2 border-t border-line px-6 py-2 text-[13px]">
            <input
                aria-label="Filter old addresses"
                placeholder="Address, title or page"
                value={shown.text}
                onChange={event => set({ text: event.target.value })}
                className={`${inputClasses} w-52!`}
            />
            <Select
                aria-label="Which rows"
                className="w-auto!"
                value={shown.only}
                choices={filters}
                onChoose={only => set({ only })}
            />
            <Select
                aria-label="In which order"
                className="w-auto!"
                value={shown.order}
                choices={orders}
                onChoose={order => set({ order })}
            />
            <span role="status" className="ml-auto text-ink-3">
                {found.toLocaleString('en-GB')} of {all.toLocaleString('en-GB')}
            </span>
        </div>
    )
}
