/** Which menu is shown, which of its entries, and to whom, when and how wide. */
export type Search = { menu?: string; entry?: string; who?: string; at?: string; width?: 'phone' }
export type SetSearch = (change: { [Key in keyof Search]?: Search[Key] | undefined }) => void
