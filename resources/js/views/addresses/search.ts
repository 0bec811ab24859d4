import type { AddressesSearch } from '../../app/addressesSearch'

/** What the view is asked for: a filter, an open row, a list or a tree. */
export type Search = AddressesSearch
export type SetSearch = (change: { [Key in keyof Search]?: Search[Key] | undefined }) => void
