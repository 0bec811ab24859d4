export type SheetTab = 'details' | 'content' | 'fields' | 'search' | 'history'

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
    tag?: string
    marked?: string
    /** The column that what the filter found is sorted by, with a hyphen for the highest first. */
    sort?: string
    drawing?: boolean
}

/** Where one left the outline: branches and row, as this browser remembers them. */
export function rememberedPlace(site: string): OutlineSearch | null {
    const kept = localStorage.getItem(`heronstem.outline.${site}`)
    return kept === null ? null : (JSON.parse(kept) as OutlineSearch)
}

export function rememberPlace(site: string, place: OutlineSearch) {
    localStorage.setItem(`heronstem.outline.${site}`, JSON.stringify(place))
}
