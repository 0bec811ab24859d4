import { describe, expect, test } from 'vitest'
import { differing } from '../../resources/js/app/differing'
import { objectOf, refusalsOf, rowsOf, textOfValue } from '../../resources/js/app/fields/values'
import { conflictsIn, summary, valueOf, withCell, type PageRow, type Typed } from '../../resources/js/views/site/cells'
import type { LayoutField, Values } from '../../resources/js/app/fields/values'

const row = (id: string, fields: Record<string, unknown>): PageRow => ({
    id,
    name: id,
    address: `/${id}`,
    state: 'live',
    fields,
    named: {},
})

const field = (kind: LayoutField['kind']): LayoutField => ({
    key: 'a',
    title: 'A',
    kind,
    description: '',
    needed: false,
    choices: [],
    unit: '',
    currency: '',
    fallback: null,
    empty: '',
    proportions: null,
    columns: [],
})

describe('what is typed into fields', () => {
    test('counts only where it is another than what stands', () => {
        const standing = { takes: 35, sails: 'daily', fares: [{ name: 'Adult', price: '4.80' }] }
        expect(differing({ takes: 35, sails: 'weekly' }, standing)).toEqual({ sails: 'weekly' })
        expect(differing({ fares: [{ name: 'Adult', price: '4.80' }] }, standing)).toEqual({})
        expect(differing({ fares: [] }, standing)).toEqual({ fares: [] })
        expect(differing<Values>({ boat: null }, standing)).toEqual({})
        expect(differing<Values>({ takes: null }, standing)).toEqual({ takes: null })
    })

    test('values of any kind are read as what they are, or as nothing', () => {
        expect(rowsOf('x')).toEqual([])
        expect(rowsOf([{ a: 1 }])).toEqual([{ a: 1 }])
        expect(textOfValue(4.5)).toBe('4.5')
        expect(textOfValue({})).toBe('')
        expect(textOfValue(null)).toBe('')
        expect(objectOf([1])).toEqual({})
        expect(objectOf(null)).toEqual({})
        expect(objectOf({ page: 'x' })).toEqual({ page: 'x' })
    })

    test('refusals are found by field, row and column, in an answer to one page or to a batch', () => {
        expect(
            refusalsOf([
                { field: 'fields.fares.1.price', reason: 'much' },
                { field: 'changes.12.fields.takes', reason: 'many' },
                { field: 'summary', reason: 'long' },
            ]),
        ).toEqual({ 'fares.1.price': 'much', takes: 'many' })
        expect(refusalsOf(undefined)).toEqual({})
    })
})

describe('the grid of fields', () => {
    const dunlin = row('dunlin', { people: 40, cars: 0 })
    const curlew = row('curlew', { people: 180 })

    test('shows what was typed, also nothing, else what stands', () => {
        const typed = withCell(withCell({}, dunlin, 'people', '44'), dunlin, 'cars', null)
        expect(valueOf(typed, dunlin, 'people')).toBe('44')
        expect(valueOf(typed, dunlin, 'cars')).toBeNull()
        expect(valueOf(typed, curlew, 'people')).toBe(180)
        expect(valueOf(typed, curlew, 'cars')).toBeUndefined()
    })

    test('a cell that says again what stands is none, and a page without cells is none', () => {
        const typed = withCell({}, dunlin, 'people', '44')
        expect(Object.keys(typed)).toEqual(['dunlin'])
        expect(withCell(typed, dunlin, 'people', 40)).toEqual({})
        const two = withCell(typed, curlew, 'people', '181')
        expect(Object.keys(withCell(two, dunlin, 'people', 40))).toEqual(['curlew'])
    })

    test('what stood when one began to type is remembered through further typing', () => {
        const once = withCell({}, dunlin, 'people', '4')
        const twice = withCell(once, dunlin, 'people', '44')
        expect(twice.dunlin?.people).toEqual({ value: '44', before: 40 })
    })

    test('what somebody else changed meanwhile is a conflict, unless they typed the same', () => {
        const typed: Typed = withCell({}, dunlin, 'people', 44)
        expect(conflictsIn(typed, [dunlin, curlew])).toEqual([])
        expect(conflictsIn(typed, [row('dunlin', { people: 44 })])).toEqual([])
        expect(conflictsIn(typed, [row('dunlin', { people: 41 })])).toMatchObject([
            { key: 'people', mine: 44, theirs: 41 },
        ])
        expect(conflictsIn(typed, [row('dunlin', {})])).toHaveLength(1)
    })

    test('what is too large for a cell is summed up', () => {
        expect(summary(field('rows'), [{}, {}])).toBe('2 rows')
        expect(summary(field('rows'), [{}])).toBe('1 row')
        expect(summary(field('page'), { page: 'x' }, { x: 'Skerra' })).toBe('Skerra')
        expect(summary(field('page'), { page: 'y' }, { x: 'Skerra' })).toBe('a page')
        expect(summary(field('picture'), { file: 'x' })).toBe('a picture')
        expect(summary(field('long-text'), 'Words')).toBe('Words')
        expect(summary(field('rows'), null)).toBe('')
    })
})
