import type { OutlineSearch } from '../../app/outlineSearch'

/** What the address of the outline holds, but for the sheet's tab. */
export type Search = Omit<OutlineSearch, 'tab'>

/** Changes some of it. */
export type SetSearch = (change: OutlineSearch, how?: { replace: boolean }) => void
