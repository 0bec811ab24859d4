/** What the address of the site's view holds: which layout is looked at, and of items which group. */
export type SiteSearch = { layout?: string; group?: string }
