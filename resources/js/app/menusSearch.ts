/** What the address of the menus holds: which menu, which of its entries, and who looks when and how. */
export type MenusSearch = { menu?: string; entry?: string; who?: string; at?: string; width?: 'phone' }
