import { describe, expect, test } from 'vitest'
import type { Schemas } from '../../resources/js/api/client'
import { fieldsOf } from '../../resources/js/views/site/fieldsOf'

const field = (key: string) => ({ key, title: key, kind: 'text' }) as Schemas['LayoutField']
const group = (id: string, ...keys: string[]): Schemas['FieldGroup'] => ({
    id,
    name: `Group ${id}`,
    address: `/${id}`,
    pages: 1,
    fields: keys.map(field),
})
const layout = (groups: Schemas['FieldGroup'][] | null): Schemas['Layout'] => ({
    key: 'item',
    name: 'Item',
    description: '',
    pages: 3,
    fields: [field('pictures')],
    defaults: {},
    groups,
})

describe('what a grid of fields is of', () => {
    test('a layout whose pages stand in no groups', () => {
        expect(fieldsOf(layout(null), 'sail')).toEqual({
            key: 'item',
            name: 'Item',
            fields: [field('pictures')],
            group: undefined,
        })
    })

    test('the group that the address names, with the fields that it gives', () => {
        const of = fieldsOf(layout([group('boats', 'price'), group('sail', 'price', 'rig')]), 'sail')
        expect([of?.name, of?.group, of?.fields.map(({ key }) => key)]).toEqual([
            'Group sail',
            'sail',
            ['price', 'rig'],
        ])
    })

    test('the first one, where the address names none or one that is gone', () => {
        const groups = [group('boats', 'price'), group('sail', 'rig')]
        expect(fieldsOf(layout(groups), undefined)?.group).toBe('boats')
        expect(fieldsOf(layout(groups), 'gone')?.group).toBe('boats')
    })

    test('nothing while there is no group', () => {
        expect(fieldsOf(layout([]), undefined)).toBeNull()
    })
})
