import { answered, api } from '../../api/client'
import { BringInTable } from '../../app/BringInTable'
import { useSite } from '../../app/site'
import type { FieldsOf } from './fieldsOf'

type Props = { layout: FieldsOf; onClose: () => void }

/** The fields of pages of one layout, from a table. */
export function BringInFields({ layout, onClose }: Props) {
    const { key: site } = useSite()
    const columns = layout.fields.map(field => `fields.${field.key}`)
    const rows = layout.fields.find(field => field.kind === 'rows')
    return (
        <BringInTable
            title={`Import fields of ${layout.name}`}
            about={`A table as it is saved here: columns id or address, ${columns.join(', ')}.${
                rows === undefined
                    ? ''
                    : ` ${rows.title} stand under each other in one cell, ${rows.columns.map(column => column.title).join(' | ')}.`
            }`}
            example={`address,${columns.slice(0, 3).join(',')}`}
            keptAs={`heronstem fields-table ${site} ${layout.key} ${layout.group ?? ''}`}
            what="fields"
            read={text =>
                answered(
                    api.POST('/sites/{site}/layouts/{layout}/import', {
                        params: { path: { site, layout: layout.key }, query: { group: layout.group } },
                        body: { text },
                    }),
                )
            }
            onClose={onClose}
        />
    )
}
