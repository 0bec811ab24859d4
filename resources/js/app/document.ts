import type { JSONContent } from '@tiptap/core'
import type { Schemas } from '../api/client'

/** What an editor holds as a document of the API. */
export function documentOf({ content = [] }: JSONContent): Schemas['Document'] {
    return { version: 1, type: 'doc', content: content.map(block => ({ ...block, type: block.type ?? 'paragraph' })) }
}
