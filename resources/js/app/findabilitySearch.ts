/** What the address of the Findability view holds: which part is open, and what of it. */
export type FindabilitySearch = {
    part?: 'grid' | 'findings' | 'patterns' | 'links' | 'crawling' | 'searches' | 'drawing'
    check?: string
    text?: string
    state?: string
    layout?: string
    branch?: string
}
