import { answered, api } from '../../api/client'
import { BringInTable } from '../../app/BringInTable'
import { useSite } from '../../app/site'

/** Titles, descriptions and what engines are told, from a table. */
export function BringInTexts({ onClose }: { onClose: () => void }) {
    const { key: site } = useSite()
    return (
        <BringInTable
            title="Import titles and descriptions"
            about="A table as it is saved here: columns id or address, title, description, canonical, index, follow, sitemap, priority, change frequency."
            example={'address,title,description\n/travel/fares,Ferry fares,What a crossing costs'}
            keptAs={`heronstem search-table ${site}`}
            what="texts"
            read={text =>
                answered(api.POST('/sites/{site}/search-import', { params: { path: { site } }, body: { text } }))
            }
            onClose={onClose}
        />
    )
}
