import type { Schemas } from '../../api/client'

type Layout = Schemas['Layout']

/** What a grid of fields is of: a layout, or its pages in one group, which gives them fields of its own. */
export type FieldsOf = { key: string; name: string; fields: Layout['fields']; group: string | undefined }

/** Of a layout whose pages stand in groups, those in the group named, or in the first; null while there is none. */
export function fieldsOf(layout: Layout, group: string | undefined): FieldsOf | null {
    if (layout.groups === null) return { key: layout.key, name: layout.name, fields: layout.fields, group: undefined }
    const chosen = layout.groups.find(each => each.id === group) ?? layout.groups[0]
    return chosen === undefined ? null : { key: layout.key, name: chosen.name, fields: chosen.fields, group: chosen.id }
}
