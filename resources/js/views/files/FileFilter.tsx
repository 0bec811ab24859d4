import type { FilesSearch } from '../../app/filesSearch'
import { inputClasses } from '../../ui/Field'
import { Select } from '../../ui/Select'

type Props = { search: FilesSearch; set: (change: Partial<FilesSearch>) => void }

const kinds = [
    ['', 'Any kind'],
    ['picture', 'Pictures'],
    ['document', 'Documents'],
    ['film', 'Videos'],
] as const
const uses = [
    ['', 'Used or not'],
    ['used', 'Used'],
    ['unused', 'Not used'],
    ['binned', 'In the bin'],
] as const
const sorts = [
    ['', 'By name'],
    ['newest', 'Newest first'],
    ['largest', 'Largest first'],
] as const

/** What the files are filtered by, and their order. */
export function FileFilter({ search, set }: Props) {
    const choice = (value: string) => (value === '' ? undefined : value)
    return (
        <div className="flex flex-wrap items-center gap-2 px-4 pb-3">
            <input
                type="search"
                aria-label="Filter files"
                placeholder="Filter by name, text or caption"
                value={search.text ?? ''}
                onChange={event => set({ text: choice(event.target.value) })}
                className={`${inputClasses} w-[230px]!`}
            />
            <Select
                aria-label="Kind"
                className="w-[130px]!"
                value={search.kind ?? ''}
                choices={kinds}
                onChoose={kind => set({ kind: choice(kind) })}
            />
            <Select
                aria-label="Use"
                className="w-[130px]!"
                value={search.use ?? ''}
                choices={uses}
                onChoose={use => set({ use: choice(use) })}
            />
            <Select
                aria-label="Order"
                className="w-[130px]!"
                value={search.sort ?? ''}
                choices={sorts}
                onChoose={sort => set({ sort: choice(sort) })}
            />
        </div>
    )
}
