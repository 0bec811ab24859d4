import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { answered, api, type Schemas } from '../../api/client'
import { keys } from '../../api/queries'
import { useDebounced } from '../../ui/useDebounced'
import { valueOf, type Edits, type Row } from './gridEdits'

/** Most rows that are measured while they are edited; what was typed beyond is measured when it comes into sight. */
const MOST = 400

/** Widths and doubles of what is typed, as the server works them out. */
export function useMeasured(site: string, edits: Edits, rows: (Row | undefined)[]) {
    const typed = rows
        .filter(row => row !== undefined)
        .filter(row => edits[row.id] !== undefined)
        .slice(0, MOST)
        .map(row => ({
            page: row.id,
            title: valueOf(edits, row, 'searchTitle'),
            description: valueOf(edits, row, 'searchDescription'),
        }))
    const asked = useDebounced(JSON.stringify(typed), 120)
    const { data } = useQuery({
        queryKey: [...keys.site(site), 'measured', asked],
        queryFn: ({ signal }) =>
            answered(
                api.POST('/sites/{site}/search-grid/measured', {
                    params: { path: { site } },
                    body: { rows: JSON.parse(asked) as typeof typed },
                    signal,
                }),
            ),
        enabled: asked !== '[]',
        placeholderData: keepPreviousData,
    })
    return new Map<string, Schemas['MeasuredTexts']>(asked === '[]' ? [] : (data ?? []).map(each => [each.page, each]))
}
