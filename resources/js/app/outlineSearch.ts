export type SheetTab = 'details' | 'content' | 'search' | 'history'

/** What the outline's address holds, so that back, reload and sharing show the same. */
export type OutlineSearch = {
    open?: string
    row?: string
    top?: number
    page?: string
    tab?: SheetTab
    filter?: string
    state?: string
    kind?: string
    layout?: string
    marked?: string
    drawing?: boolean
}
