export type SheetTab = 'place' | 'words' | 'search'

/** What the outline's address holds, so that back, reload and sharing show the same. */
export type OutlineSearch = { open?: string; row?: string; page?: string; tab?: SheetTab; filter?: string }
