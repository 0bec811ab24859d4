import type { FindabilitySearch } from '../../app/findabilitySearch'

export type Search = FindabilitySearch
export type SetSearch = (change: { [Key in keyof Search]?: Search[Key] | undefined }) => void
/** Opens a page where a finding of it is mended. */
export type OpenPage = (page: string, tab: 'details' | 'content' | 'search') => void
