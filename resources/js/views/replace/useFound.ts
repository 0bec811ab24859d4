import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { answered, api, type Schemas } from '../../api/client'
import { keys } from '../../api/queries'
import type { ReplaceSearch } from '../../app/replaceSearch'
import { useSite } from '../../app/site'
import { useDebounced } from '../../ui/useDebounced'
import type { Part } from './parts'

export type ReplaceText = Extract<Schemas['Change'], { kind: 'replace-text' }>

/** The change that the form describes, without what is left as it is. */
export function changeOf(search: ReplaceSearch): ReplaceText {
    const chosen = search.parts?.split(',') as Part[] | undefined
    return {
        kind: 'replace-text',
        find: search.find ?? '',
        with: search.with ?? '',
        way: search.way === 'words' || search.way === 'pattern' ? search.way : 'plain',
        matchCase: search.case === true,
        ...(chosen === undefined ? {} : { parts: chosen }),
        ...(search.pages !== undefined ? { in: search.pages.split(',') } : {}),
        ...(search.branch !== undefined ? { branch: search.branch } : {}),
    }
}

/** Every place where it stands; the last answer stays until the next one is there. */
export function useFound(search: ReplaceSearch) {
    const site = useSite()
    const asked = useDebounced(JSON.stringify(changeOf(search)), 250)
    const change = JSON.parse(asked) as ReplaceText
    const query = useQuery({
        queryKey: [...keys.site(site.key), 'found', asked],
        queryFn: ({ signal }) =>
            answered(api.POST('/sites/{site}/found', { params: { path: { site: site.key } }, body: change, signal })),
        enabled: change.find !== '',
        placeholderData: keepPreviousData,
        retry: false,
    })
    return { query, asked, isCurrent: asked === JSON.stringify(changeOf(search)) && !query.isPlaceholderData }
}
