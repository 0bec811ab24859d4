import type { Schemas } from '../../api/client'
import type { FindabilitySearch } from '../../app/findabilitySearch'

export type Search = FindabilitySearch
export type SetSearch = (change: { [Key in keyof Search]?: Search[Key] | undefined }) => void
/** Opens a menu, or redirects, where a fault of them is mended; null for all of the group. */
export type OpenFault = (
    group: Schemas['FindingGroup'],
    fault: Schemas['FindingGroup']['faults'][number] | null,
) => void
/** Opens a page where a finding of it is mended. */
export type OpenPage = (page: string, tab: 'details' | 'content' | 'search') => void
