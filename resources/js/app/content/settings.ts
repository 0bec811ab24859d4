import { createContext } from 'react'
import type { Settable } from './blocks'

/** A block whose settings are open: one that stands at a place, or a new one. */
export type OpenSettings = { type: Settable; attrs: Record<string, unknown>; at: number | null }

/** Where content is written: in the narrow sheet, with its tools below each block, or on the page itself. */
export type Place = { inRoom: boolean; site: string; page: string; edit: (settings: OpenSettings) => void }

export const WritingPlace = createContext<Place>({ inRoom: false, site: '', page: '', edit: () => undefined })
