import type { MenusSearch } from '../../app/menusSearch'

/** Which menu is shown, which of its entries, and to whom, when and how wide. */
export type Search = MenusSearch
export type SetSearch = (change: { [Key in keyof Search]?: Search[Key] | undefined }) => void
