/** What the view is asked for: a filter, an open row, a list or a tree. */
export type Search = {
    text?: string
    kind?: string
    status?: string
    hits?: 'never'
    finding?: string
    row?: string
    as?: 'tree'
}
export type SetSearch = (change: { [Key in keyof Search]?: Search[Key] | undefined }) => void
