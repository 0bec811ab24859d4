/** What the address of the history holds: how it is filtered, and which entry is opened. */
export type HistorySearch = {
    by?: string
    kind?: string
    from?: string
    until?: string
    text?: string
    page?: string
    entry?: string
}
