import { describe, expect, test } from 'vitest'
import {
    change,
    dissolve,
    find,
    lines,
    nameOf,
    pathOf,
    put,
    putAt,
    renewed,
    step,
    stepAll,
    topmost,
    without,
    withoutAll,
    written,
    type Entry,
    type Step,
} from '../../resources/js/views/menus/arrangement'
import { dice, ids, page, shape, thrown } from './menu'

const menu = [
    page('travel', page('routes'), page('fares', page('bikes'), page('dogs'))),
    page('islands'),
    page('help', page('contact')),
]

describe('an arrangement of a menu', () => {
    test('is a list of lines in the order in which they are read', () => {
        expect(
            lines(menu).map(({ entry, level, parent, index, last }) => [entry.id, level, parent, index, last]),
        ).toEqual([
            ['travel', 1, null, 0, false],
            ['routes', 2, 'travel', 0, false],
            ['fares', 2, 'travel', 1, true],
            ['bikes', 3, 'fares', 0, false],
            ['dogs', 3, 'fares', 1, true],
            ['islands', 1, null, 1, false],
            ['help', 1, null, 2, true],
            ['contact', 2, 'help', 0, true],
        ])
    })

    test('finds an entry wherever it stands', () => {
        expect(find(menu, 'dogs')?.parent).toBe('fares')
        expect(find(menu, 'nobody')).toBeUndefined()
        expect(find(menu, undefined)).toBeUndefined()
    })

    test('loses an entry with what stands under it', () => {
        expect(shape(without(menu, 'fares'))).toBe('travel(routes) islands help(contact)')
        expect(shape(withoutAll(menu, new Set(['routes', 'help'])))).toBe('travel(fares(bikes dogs)) islands')
        expect(shape(menu)).toBe('travel(routes fares(bikes dogs)) islands help(contact)')
    })

    test('loses an entry alone, and what stands under it takes its place', () => {
        expect(shape(dissolve(menu, 'fares'))).toBe('travel(routes bikes dogs) islands help(contact)')
        expect(shape(dissolve(menu, 'travel'))).toBe('routes fares(bikes dogs) islands help(contact)')
    })

    test('takes an entry in as the n-th under a parent', () => {
        expect(shape(put(menu, page('new'), null, 1))).toBe(
            'travel(routes fares(bikes dogs)) new islands help(contact)',
        )
        expect(shape(put(menu, page('new'), 'fares', 0))).toBe(
            'travel(routes fares(new bikes dogs)) islands help(contact)',
        )
    })

    test.each([
        ['before', 'fares', 'travel(routes x y fares(bikes dogs)) islands help(contact)'],
        ['after', 'islands', 'travel(routes fares(bikes dogs)) islands x y help(contact)'],
        ['inside', 'help', 'travel(routes fares(bikes dogs)) islands help(contact x y)'],
    ] as const)('takes several in %s %s, in their order', (where, id, expected) => {
        expect(shape(putAt(menu, [page('x'), page('y')], { id, where }) ?? [])).toBe(expected)
    })

    test('takes nothing in beside an entry that is gone', () => {
        expect(putAt(menu, [page('x')], { id: 'nobody', where: 'before' })).toBeNull()
    })

    test('says where an entry is written, as problems name it', () => {
        expect(pathOf(menu, 'dogs')).toBe('entries.0.entries.1.entries.1')
        expect(pathOf(menu, 'help')).toBe('entries.2')
        expect(pathOf(menu, 'nobody')).toBeNull()
    })

    test('changes the fields of one entry only', () => {
        const changed = change(menu, 'dogs', { label: 'With dogs' })
        expect(find(changed, 'dogs')?.entry.label).toBe('With dogs')
        expect(lines(changed).filter(line => line.entry.label !== undefined)).toHaveLength(1)
    })

    test('is written without the names that are there for reading', () => {
        const entry: Entry = {
            id: 'a',
            kind: 'page',
            page: 'p',
            pageName: 'Fares',
            fileName: 'x.pdf',
            label: 'All fares',
            entries: [],
        }
        expect(written([entry])).toEqual([{ id: 'a', kind: 'page', page: 'p', label: 'All fares' }])
    })

    test('is renewed for another menu: the same shape, other identities', () => {
        const other = renewed(menu)
        expect(lines(other).map(line => [line.entry.page, line.level])).toEqual(
            lines(menu).map(line => [line.entry.page, line.level]),
        )
        expect(ids(other).filter(id => ids(menu).includes(id))).toEqual([])
        expect(new Set(ids(other)).size).toBe(ids(menu).length)
    })

    test.each<[Partial<Entry>, string]>([
        [{ kind: 'page', label: 'Own', pageName: 'Fares' }, 'Own'],
        [{ kind: 'page', label: '', pageName: 'Fares' }, 'Fares'],
        [{ kind: 'separator' }, 'Separator'],
        [{ kind: 'branch' }, 'The top of the tree'],
        [{ kind: 'branch', pageName: 'Travel' }, 'Travel'],
        [{ kind: 'url', url: 'https://tides.example/' }, 'https://tides.example/'],
        [{ kind: 'address', address: '/lost' }, '/lost'],
        [{ kind: 'file', fileName: 'map.pdf' }, 'map.pdf'],
        [{ kind: 'page' }, 'a page that is gone'],
    ])('names %o', (fields, name) => {
        expect(nameOf({ id: 'a', ...fields } as Entry)).toBe(name)
    })
})

describe('one step', () => {
    test.each<[string, Step, string]>([
        ['islands', 'up', 'islands travel(routes fares(bikes dogs)) help(contact)'],
        ['islands', 'down', 'travel(routes fares(bikes dogs)) help(contact) islands'],
        ['islands', 'in', 'travel(routes fares(bikes dogs) islands) help(contact)'],
        ['dogs', 'out', 'travel(routes fares(bikes) dogs) islands help(contact)'],
        ['fares', 'out', 'travel(routes) fares(bikes dogs) islands help(contact)'],
    ])('takes %s %s', (id, to, expected) => {
        expect(shape(step(menu, id, to))).toBe(expected)
    })

    test.each<[string, Step]>([
        ['travel', 'up'],
        ['help', 'down'],
        ['travel', 'in'],
        ['islands', 'out'],
        ['nobody', 'up'],
    ])('of %s %s is none, and says so by the same list', (id, to) => {
        expect(step(menu, id, to)).toBe(menu)
    })

    test('does not go under what holds nothing', () => {
        const branch: Entry = { id: 'branch', kind: 'branch', page: 'p' }
        const line: Entry = { id: 'line', kind: 'separator' }
        for (const above of [branch, line]) {
            const entries = [above, page('a')]
            expect(step(entries, 'a', 'in')).toBe(entries)
        }
    })

    test('of several keeps them together, and stops with the first that cannot', () => {
        const row = [page('a'), page('b'), page('c'), page('d')]
        expect(shape(stepAll(row, new Set(['c', 'd']), 'up'))).toBe('a c d b')
        expect(shape(stepAll(row, new Set(['a', 'b']), 'down'))).toBe('c a b d')
        expect(shape(stepAll(row, new Set(['a', 'b']), 'up'))).toBe('a b c d')
        expect(shape(stepAll(row, new Set(['b', 'c']), 'in'))).toBe('a(b c) d')
        expect(shape(stepAll([page('a', page('b'), page('c'), page('d'))], new Set(['b', 'c']), 'out'))).toBe(
            'a(d) b c',
        )
    })

    test('of several takes what stands under one of them along', () => {
        expect(topmost(menu, new Set(['fares', 'dogs', 'islands'])).map(entry => entry.id)).toEqual([
            'fares',
            'islands',
        ])
        expect(shape(stepAll(menu, new Set(['fares', 'dogs']), 'up'))).toBe(
            'travel(fares(bikes dogs) routes) islands help(contact)',
        )
    })
})

describe('over menus at random', () => {
    const steps: Step[] = ['up', 'down', 'in', 'out']

    test('no step ever loses an entry or makes one twice', () => {
        for (let seed = 1; seed <= 60; seed++) {
            const throwing = dice(seed)
            let entries = thrown(3 + throwing(14), throwing)
            const all = ids(entries).sort()
            for (let n = 0; n < 12; n++) {
                const some = new Set(all.filter(() => throwing(3) === 0))
                const to = steps[throwing(4)] ?? 'up'
                entries =
                    throwing(2) === 0 ? stepAll(entries, some, to) : step(entries, all[throwing(all.length)] ?? '', to)
                expect(ids(entries).slice().sort()).toEqual(all)
            }
        }
    })

    test('up undoes down, and out undoes in where nothing stood behind', () => {
        for (let seed = 1; seed <= 60; seed++) {
            const throwing = dice(seed)
            const entries = thrown(3 + throwing(14), throwing)
            for (const { entry } of lines(entries)) {
                const down = step(entries, entry.id, 'down')
                if (down !== entries) expect(shape(step(down, entry.id, 'up'))).toBe(shape(entries))
                const under = step(entries, entry.id, 'in')
                if (under !== entries) expect(shape(step(under, entry.id, 'out'))).toBe(shape(entries))
            }
        }
    })

    test('every entry is found at its own path', () => {
        const throwing = dice(7)
        const entries = thrown(40, throwing)
        for (const { entry } of lines(entries)) {
            const found = (pathOf(entries, entry.id) ?? '')
                .split('.')
                .filter(part => part !== 'entries')
                .reduce<Entry | undefined>(
                    (at, n) => (at === undefined ? entries : (at.entries ?? []))[Number(n)],
                    undefined,
                )
            expect(found?.id).toBe(entry.id)
        }
    })
})
