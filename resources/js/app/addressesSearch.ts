/** What the address of the Addresses view holds: what is filtered for, which row is open, and whether it is a list or a tree. */
export type AddressesSearch = {
    text?: string
    kind?: string
    status?: string
    hits?: 'never'
    finding?: string
    row?: string
    as?: 'tree'
}
