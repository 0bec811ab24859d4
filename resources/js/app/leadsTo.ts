import type { Schemas } from '../api/client'

export type Leads = 'page' | 'address' | 'url' | 'file'

/** Where something leads, as the API writes it. */
export function leadsTo(kind: Leads, value: string): Schemas['LeadsTo'] {
    switch (kind) {
        case 'page':
            return { page: value }
        case 'address':
            return { address: value }
        case 'url':
            return { url: value }
        case 'file':
            return { file: value }
    }
}
