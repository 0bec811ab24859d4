/** What the address of the outline holds. */
export type Search = {
    open?: string
    row?: string
    top?: number
    page?: string
    filter?: string
    state?: string
    kind?: string
    layout?: string
    marked?: string
    drawing?: boolean
}

/** Changes some of it. */
export type SetSearch = (
    change: Search & { tab?: 'details' | 'content' | 'search' | 'history' },
    how?: { replace: boolean },
) => void
