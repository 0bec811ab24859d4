/** What the address of the view of people holds: which part of it, and of rights in which branch. */
export type PeopleSearch = { show?: 'rights' | 'visitors' | 'log'; branch?: string }
