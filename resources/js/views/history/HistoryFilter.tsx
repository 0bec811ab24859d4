import { MomentInput } from '../../ui/MomentField'
import { useQuery } from '@tanstack/react-query'
import { X } from 'lucide-react'
import { useEffect, useState } from 'react'
import { answered, api } from '../../api/client'
import { keys } from '../../api/queries'
import type { HistorySearch } from '../../app/historySearch'
import { PickPage } from '../../app/PickPage'
import { useSite } from '../../app/site'
import { pageQuery } from '../../api/queries'
import { useDebounced } from '../../ui/useDebounced'
import { ReadFailure } from '../../ui/ReadFailure'
import { Select } from '../../ui/Select'

const kinds: [string, string][] = [
    ['', 'Any change'],
    ['make', 'Made'],
    ['arrange-menu', 'Menu changed'],
    ['add-to-menu', 'Added to a menu'],
    ['remove-from-menu', 'Removed from a menu'],
    ['move', 'Moved'],
    ['rename', 'Renamed'],
    ['set-slug', 'Slug set'],
    ['pin', 'Pinned'],
    ['duplicate', 'Duplicated'],
    ['change-kind', 'Kind changed'],
    ['go-live', 'Gone live'],
    ['publish', 'Edits published'],
    ['save-content', 'Content saved'],
    ['replace-file', 'File replaced'],
    ['rename-file', 'File renamed'],
    ['bin-file', 'File put in bin'],
    ['bring-back-file', 'File brought back'],
    ['tag', 'Tagged'],
    ['rename-tag', 'Tag renamed'],
    ['set-code', 'Code changed'],
    ['set-access', 'Opened or closed'],
    ['set-rights', 'Rights set'],
    ['set-roles', 'Roles of people set'],
    ['make-role', 'Role made'],
    ['rename-role', 'Role renamed'],
    ['remove-role', 'Role removed'],
    ['set-field-defaults', 'Defaults of fields set'],
    ['save-piece', 'Shared piece changed'],
    ['describe', 'Texts set'],
    ['take-offline', 'Taken offline'],
    ['schedule', 'Scheduled'],
    ['send-for-review', 'Sent for review'],
    ['return-to-writer', 'Returned'],
    ['unlist-page', 'Unlisted'],
    ['put-in-bin', 'Put in bin'],
    ['bring-back', 'Brought back'],
    ['delete-for-good', 'Deleted for good'],
    ['set-start-page', 'Start page set'],
    ['add-address', 'Address added'],
    ['remove-address', 'Address removed'],
    ['undo', 'Undone'],
]
const field = 'h-[30px] rounded-[5px] border border-edge bg-sheet px-2'

/** Filters the history to a person, a kind of change, a span of days, a page or some text. */
export function HistoryFilter({
    search,
    set,
}: {
    search: HistorySearch
    set: (change: Partial<HistorySearch>) => void
}) {
    const site = useSite()
    const people = useQuery({
        queryKey: [...keys.site(site.key), 'people'],
        queryFn: () => answered(api.GET('/sites/{site}/people', { params: { path: { site: site.key } } })),
    })
    const page = useQuery({ ...pageQuery(site.key, search.page ?? ''), enabled: search.page !== undefined })
    const [picking, setPicking] = useState(false)
    const [typed, setTyped] = useState(search.text ?? '')
    const text = useDebounced(typed.trim(), 200)
    useEffect(() => {
        if ((search.text ?? '') !== text) set({ text: text === '' ? undefined : text })
    }, [search.text, set, text])
    const some = (value: string) => (value === '' ? undefined : value)
    return (
        <div
            role="search"
            aria-label="Filter the history"
            className="flex flex-wrap items-center gap-2 border-b border-line px-4 pb-3"
        >
            <input
                type="search"
                aria-label="Text in a change or its note"
                placeholder="Text in it"
                value={typed}
                onChange={event => setTyped(event.target.value)}
                className={`${field} w-[150px]`}
            />
            <Select
                aria-label="Person"
                className="w-[150px]!"
                value={search.by ?? ''}
                choices={[
                    ['', 'Anybody'],
                    ...(people.data ?? []).map(({ id, name }): [string, string] => [id, name]),
                    ['schedule', 'By schedule'],
                ]}
                onChoose={by => set({ by: some(by) })}
            />
            <Select
                aria-label="Kind of change"
                className="w-auto!"
                value={search.kind ?? ''}
                choices={kinds}
                onChoose={kind => set({ kind: some(kind) })}
            />
            {(['from', 'until'] as const).map(end => (
                <label key={end} className="flex items-center gap-1.5 text-ink-2">
                    {end}{' '}
                    <MomentInput
                        kind="day"
                        value={search[end] ?? ''}
                        onChange={day => set({ [end]: some(day) })}
                        className="w-[168px]"
                    />
                </label>
            ))}
            {search.page === undefined ? (
                <button type="button" onClick={() => setPicking(true)} className={`${field} text-ink-2`}>
                    Any page
                </button>
            ) : (
                <button
                    type="button"
                    onClick={() => set({ page: undefined })}
                    className="flex h-[30px] items-center gap-1 rounded-[5px] border border-heron bg-heron-soft px-2 text-heron"
                >
                    {page.data?.sheet.name ?? 'One page'} <X size={13} aria-label="show any page" />
                </button>
            )}
            <PickPage
                open={picking}
                title="Changes of which page?"
                onClose={() => setPicking(false)}
                onPick={picked => {
                    setPicking(false)
                    set({ page: picked.id })
                }}
            />
            <ReadFailure of={[people, page]} />
        </div>
    )
}
