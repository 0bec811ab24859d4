/** What the address of the view says: which of the things that were given is looked at. */
export type InterchangeSearch = { source?: string | undefined }
