/** What the address of finding and replacing holds: what is looked for, how, and where. */
export type ReplaceSearch = {
    find?: string
    with?: string
    way?: string
    case?: boolean
    /** Names of parts, commas between; all where it is missing. */
    parts?: string
    branch?: string
    /** Identities of pages, commas between. */
    pages?: string
}
