import { useState } from 'react'
import type { Schemas } from '../../api/client'
import { useChanges } from '../../app/changes'
import { mayOn } from '../../app/site'
import { TagChooser } from '../../app/TagChooser'

/** The tags of a page, each set at once. */
export function PageTags({ sheet }: { sheet: Schemas['PageSheet'] }) {
    const { propose } = useChanges()
    const [refused, setRefused] = useState<string | null>(null)
    const change = (done: 'add' | 'remove', tag: string) => {
        setRefused(null)
        void propose({
            title: done === 'add' ? `Tagging ${sheet.name} with ${tag}` : `Removing the tag ${tag} from ${sheet.name}`,
            act: done === 'add' ? 'Add tag' : 'Remove tag',
            batch: { changes: [{ kind: 'tag', page: sheet.id, [done]: [tag] }] },
            failed: problem => setRefused(problem.message),
        })
    }
    return (
        <TagChooser
            tags={sheet.tags}
            label="Tags"
            writes={mayOn(sheet, 'write') && (mayOn(sheet, 'publish') || !sheet.everLive)}
            error={refused}
            onAdd={tag => change('add', tag)}
            onRemove={tag => change('remove', tag)}
        />
    )
}
