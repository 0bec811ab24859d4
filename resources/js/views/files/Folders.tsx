import clsx from 'clsx'
import type { FilesSearch } from '../../app/filesSearch'

type Props = {
    folders: [string, number][]
    total: number
    search: FilesSearch
    set: (change: Partial<FilesSearch>) => void
}

/** The folders of the site's files. A file goes into one by its Folder field, or by being dropped while it is open. */
export function Folders({ folders, total, search, set }: Props) {
    const item = (folder: string | undefined, label: string, number: number | null, level = 0) => (
        <li key={folder ?? ''}>
            <button
                type="button"
                aria-current={search.folder === folder}
                onClick={() => set({ folder })}
                style={{ paddingLeft: 10 + level * 14 }}
                className={clsx(
                    'flex w-full items-baseline gap-2 rounded py-1 pr-2.5 text-left',
                    search.folder === folder ? 'bg-heron-soft font-semibold text-heron' : 'hover:bg-sunk',
                )}
            >
                <span className="min-w-0 flex-1 truncate">{label}</span>
                {number !== null && <span className="text-[12px] text-ink-3 tabular-nums">{number}</span>}
            </button>
        </li>
    )
    return (
        <nav
            aria-label="Folders"
            className="w-[196px] shrink-0 overflow-y-auto border-r border-line p-2 max-lg:w-[150px]"
        >
            <ul>
                {item(undefined, 'All files', total)}
                {folders.length > 0 && item('/', 'In no folder', null)}
                {folders.map(([path, number]) =>
                    item(path, path.split('/').at(-1) ?? path, number, path.split('/').length - 1),
                )}
            </ul>
        </nav>
    )
}
