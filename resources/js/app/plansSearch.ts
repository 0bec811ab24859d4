/** What the address of the view says: which plan is open, and which one it is compared with. */
export type PlansSearch = { plan?: string | undefined; against?: string | undefined }
