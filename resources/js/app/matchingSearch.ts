/** What the address of the view says: which list of old addresses is worked on. */
export type MatchingSearch = { list?: string | undefined }
