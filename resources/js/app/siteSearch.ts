/** What the address of the site's view holds: which layout is looked at. */
export type SiteSearch = { layout?: string }
