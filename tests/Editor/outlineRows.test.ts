import { describe, expect, test } from 'vitest'
import { whole } from '../../resources/js/api/rows'
import { placeAt, placeByKey, placeWords } from '../../resources/js/views/outline/place'
import { filtered, flatten, type Branch, type Page, type Row } from '../../resources/js/views/outline/rows'

const page = (id: string, parent: string | null, children = 0, level = 1): Page =>
    whole({ id, parent, name: id, address: `/${id}`, children, level } as Parameters<typeof whole>[0])

/** Travel with Routes and Fares (with Bikes), Islands, Help. */
const branches = new Map<string | null, Branch>([
    [null, { total: 3, rows: [page('travel', null, 2), page('islands', null), page('help', null)] }],
    ['travel', { total: 2, rows: [page('routes', 'travel', 0, 2), page('fares', 'travel', 1, 2)] }],
    ['fares', { total: 1, rows: [page('bikes', 'fares', 0, 3)] }],
])
const said = (rows: Row[]) =>
    rows.map(row => `${'·'.repeat(row.level - 1)}${row.kind === 'page' ? row.page.id : row.kind}`)
const pages = (rows: Row[]) => rows.filter((row): row is Row & { kind: 'page' } => row.kind === 'page')

describe('the open part of the tree as lines', () => {
    test('shows what is open and nothing below what is closed', () => {
        expect(said(flatten(branches, new Set(), null))).toEqual(['travel', 'islands', 'help'])
        expect(said(flatten(branches, new Set(['travel']), null))).toEqual([
            'travel',
            '·routes',
            '·fares',
            'islands',
            'help',
        ])
        expect(said(flatten(branches, new Set(['travel', 'fares']), null))).toEqual([
            'travel',
            '·routes',
            '·fares',
            '··bikes',
            'islands',
            'help',
        ])
        expect(said(flatten(branches, new Set(['fares']), null))).toEqual(['travel', 'islands', 'help'])
    })

    test('says of each line where it stands among its siblings, as a screen reader is told', () => {
        const rows = flatten(branches, new Set(['travel']), null)
        expect(rows.map(row => [row.position, row.siblings, row.last])).toEqual([
            [1, 3, false],
            [1, 2, false],
            [2, 2, true],
            [2, 3, false],
            [3, 3, true],
        ])
    })

    test('draws stems on past what has siblings below', () => {
        const rows = flatten(branches, new Set(['travel', 'fares']), null)
        expect(rows.map(row => row.through)).toEqual([[], [true], [true], [true, false], [], []])
    })

    test('leaves room for rows that are not fetched yet', () => {
        const some = new Map(branches).set(null, {
            total: 4,
            rows: [page('travel', null, 2), undefined, page('help', null)],
        })
        const rows = flatten(some, new Set(), null)
        expect(said(rows)).toEqual(['travel', 'hole', 'help', 'hole'])
        expect(rows.map(row => row.key)).toEqual(['travel', 'top:1', 'help', 'top:3'])
    })

    test('has the field for a new page behind the page that was named, or last', () => {
        const open = new Set(['travel'])
        expect(said(flatten(branches, open, { parent: null, after: 'travel' }))).toEqual([
            'travel',
            '·routes',
            '·fares',
            'make',
            'islands',
            'help',
        ])
        expect(said(flatten(branches, open, { parent: 'travel', after: null }))).toEqual([
            'travel',
            '·routes',
            '·fares',
            '·make',
            'islands',
            'help',
        ])
        expect(said(flatten(branches, new Set(['islands']), { parent: 'islands', after: null }))).toEqual([
            'travel',
            'islands',
            '·make',
            'help',
        ])
    })

    test('counts the field for a new page among the siblings', () => {
        const rows = flatten(branches, new Set(), { parent: null, after: 'travel' })
        expect(rows.map(row => [row.kind, row.position, row.siblings, row.last])).toEqual([
            ['page', 1, 4, false],
            ['make', 2, 4, false],
            ['page', 3, 4, false],
            ['page', 4, 4, true],
        ])
    })

    test('is empty for a site without pages', () => {
        expect(flatten(new Map(), new Set(), null)).toEqual([])
        expect(said(flatten(new Map(), new Set(), { parent: null, after: null }))).toEqual(['make'])
    })
})

describe('what a filter found, as lines', () => {
    const found = [
        page('travel', null, 2),
        page('fares', 'travel', 1, 2),
        page('bikes', 'fares', 0, 3),
        page('help', null),
    ]

    test('keeps the order of the tree and opens the pages above a match', () => {
        expect(filtered(found).map(row => [row.key, row.level, row.kind === 'page' && row.open])).toEqual([
            ['travel', 1, true],
            ['fares', 2, true],
            ['bikes', 3, false],
            ['help', 1, false],
        ])
    })

    test('draws stems only to what was found', () => {
        expect(filtered(found).map(row => [row.last, row.through])).toEqual([
            [false, []],
            [true, [true]],
            [true, [true, false]],
            [true, []],
        ])
    })
})

describe('where Alt and an arrow take a page', () => {
    const rows = flatten(branches, new Set(['travel', 'fares']), null)
    const by = (key: string, id: string) => {
        const at = rows.findIndex(row => row.key === id)
        return placeByKey(key, pages(rows).find(row => row.key === id) as Row & { kind: 'page' }, rows, at)
    }

    test.each([
        ['ArrowUp', 'islands', { before: 'travel' }],
        ['ArrowDown', 'islands', { after: 'help' }],
        ['ArrowRight', 'islands', { last: 'travel' }],
        ['ArrowLeft', 'fares', { after: 'travel' }],
        ['ArrowLeft', 'bikes', { after: 'fares' }],
    ])('%s on %s', (key, id, place) => {
        expect(by(key, id)).toEqual(place)
    })

    test.each([
        ['ArrowUp', 'travel'],
        ['ArrowDown', 'help'],
        ['ArrowRight', 'travel'],
        ['ArrowLeft', 'help'],
        ['ArrowUp', 'bikes'],
    ])('%s on %s is no place', (key, id) => {
        expect(by(key, id)).toBeNull()
    })

    test('a place is written as the API wants it, and said in words', () => {
        const travel = page('travel', null)
        expect(placeAt(travel, 'inside')).toEqual({ last: 'travel' })
        expect(placeAt(travel, 'before')).toEqual({ before: 'travel' })
        expect(placeWords(travel, 'after')).toBe('after travel')
    })
})

test('what the wire leaves away of a row is its default, and what it says holds', () => {
    const row = whole({
        id: 'a',
        parent: null,
        name: 'A',
        address: '/a',
        level: 1,
        edited: true,
        picks: ['Cards'],
    } as Parameters<typeof whole>[0])
    expect(row).toMatchObject({
        listed: true,
        indexed: true,
        kind: 'page',
        children: 0,
        edited: true,
        picks: ['Cards'],
        leadsTo: null,
    })
    expect(whole(row).picks).toEqual(['Cards'])
})
