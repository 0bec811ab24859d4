import type { Schemas } from '../../api/client'

/** A page as it was read, with the tag that goes back when it is saved. */
export type Loaded = { sheet: Schemas['PageSheet']; etag: string }
