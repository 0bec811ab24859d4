/** What the address of the files holds: how they are filtered and sorted, and which one is opened. */
export type FilesSearch = {
    text?: string
    kind?: string
    use?: string
    sort?: string
    /** A slash for those in no folder. */
    folder?: string
    file?: string
    of?: 'pieces'
    /** The shared piece that is opened; `new` for one that is being made. */
    piece?: string
}
