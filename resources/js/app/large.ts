import type { Schemas } from '../api/client'

/** A large change that is made in the background. */
export type Large = Schemas['ChangeUnderWay']

export const isLarge = (made: Schemas['HistoryEntry'] | Large): made is Large => 'state' in made
