import { useSyncExternalStore } from 'react'
import { onWorked, workedOn } from './planned'

/** The plan that one works in on a site, if any. */
export const useWorked = (site: string) => useSyncExternalStore(onWorked, () => workedOn(site))
