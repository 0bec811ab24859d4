import { createContext } from 'react'

/** Whether something below all dialogs waits for an answer. Those that are open when it comes go out of its way; others may be opened from it. */
export const WaitsBelow = createContext(false)
