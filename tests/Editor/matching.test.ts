import { describe, expect, test } from 'vitest'
import {
    accepted,
    changedBy,
    curve,
    expected,
    isFree,
    settledOf,
    shownRows,
    type Choices,
    type Matched,
    type Shown,
} from '../../resources/js/views/addresses/matching'

const row = (old: string, confidence: number, requests: number, fields: object = {}): Matched =>
    ({
        old,
        address: old,
        held: null,
        title: '',
        confidence,
        requests,
        page: { id: `page-of-${old}`, name: `Page of ${old}`, address: `/new${old}` },
        ...fields,
    }) as unknown as Matched
const rows = [
    row('/fares', 0.97, 10),
    row('/boats', 0.6, 400, { title: 'Our boats' }),
    row('/nothing', 0, 70, { page: null }),
    row('/taken', 0.99, 5, { held: { name: 'Taken' } }),
    row('/elsewhere', 0.99, 1, { address: null }),
]
const shown = (fields: Partial<Shown>, choices: Choices = {}) =>
    shownRows(rows, choices, { text: '', only: 'all', order: 'list', threshold: 90, ...fields }).map(each => each.old)

describe('a match', () => {
    test('is taken when it is sure enough', () => {
        expect(accepted(rows[0] as Matched, {}, 90)).toBe(true)
        expect(accepted(rows[1] as Matched, {}, 90)).toBe(false)
        expect(accepted(rows[1] as Matched, {}, 60)).toBe(true)
    })

    test('is taken or left by hand whatever the threshold says', () => {
        expect(accepted(rows[1] as Matched, { '/boats': { isOn: true } }, 90)).toBe(true)
        expect(accepted(rows[0] as Matched, { '/fares': { isOn: false } }, 90)).toBe(false)
        expect(accepted(rows[2] as Matched, { '/nothing': { page: { id: 'p', name: 'P' } } }, 90)).toBe(true)
        expect(accepted(rows[2] as Matched, { '/nothing': { gone: true } }, 90)).toBe(true)
    })

    test('is never taken for an address that somebody holds, or that cannot be one of this site', () => {
        for (const held of [rows[3], rows[4]] as Matched[]) {
            expect(isFree(held)).toBe(false)
            expect(accepted(held, { [held.old]: { isOn: true, gone: true } }, 0)).toBe(false)
        }
    })

    test('without a page to lead to is not taken by being switched on alone', () => {
        expect(accepted(rows[2] as Matched, { '/nothing': { isOn: true } }, 0)).toBe(false)
    })
})

describe('the rows that are shown', () => {
    test.each<[Partial<Shown>, string[]]>([
        [{ only: 'accepted' }, ['/fares']],
        [{ only: 'open' }, ['/boats', '/nothing']],
        [{ only: 'none' }, ['/nothing']],
        [{ text: 'OUR' }, ['/boats']],
        [{ text: '/new/fares' }, ['/fares']],
        [{ text: 'page of /taken' }, ['/taken']],
        [{ text: 'zeppelin' }, []],
        [{ order: 'unsure' }, ['/nothing', '/boats', '/fares', '/taken', '/elsewhere']],
        [{ order: 'asked' }, ['/boats', '/nothing', '/fares', '/taken', '/elsewhere']],
        [{ order: 'address' }, ['/boats', '/elsewhere', '/fares', '/nothing', '/taken']],
    ])('%o', (fields, expected) => {
        expect(shown(fields)).toEqual(expected)
    })

    test('begin with the surest', () => {
        expect(shown({ order: 'surest' }).at(-1)).toBe('/nothing')
    })

    test('follow what was chosen by hand', () => {
        expect(shown({ only: 'accepted' }, { '/fares': { isOn: false }, '/nothing': { gone: true } })).toEqual([
            '/nothing',
        ])
        expect(shown({ only: 'none' }, { '/nothing': { page: { id: 'p', name: 'P' } } })).toEqual([])
    })

    test('leave the list itself as it was', () => {
        const before = rows.map(each => each.old)
        shown({ order: 'address' })
        expect(rows.map(each => each.old)).toEqual(before)
    })
})

describe('a threshold', () => {
    test('says how many rows it accepts, their requests, and how many are wrong if each is right as often as it says', () => {
        const at = expected(rows, 60)
        expect([at.rows, at.requests]).toEqual([2, 410])
        expect(at.wrong).toBeCloseTo(0.43)
        expect(expected(rows, 90).rows).toBe(1)
    })

    test('accepts the fewer, and the fewer wrong ones, the higher it is', () => {
        const drawn = curve(rows)
        expect(drawn[0]?.threshold).toBe(50)
        for (const [n, each] of drawn.entries()) {
            expect(each.rows).toBeLessThanOrEqual(drawn[n - 1]?.rows ?? Infinity)
            expect(each.wrong).toBeLessThanOrEqual(drawn[n - 1]?.wrong ?? Infinity)
        }
    })
})

describe('rows that are settled', () => {
    test('are those that were accepted or chosen one by one, not those that a threshold takes or that are gone', () => {
        const choices: Choices = {
            '/boats': { isOn: true },
            '/nothing': { page: { id: 'p', name: 'P' } },
            '/fares': { isOn: true, gone: true },
        }
        expect(settledOf(choices, rows)).toEqual([
            { old: '/boats', page: 'page-of-/boats' },
            { old: '/nothing', page: 'p' },
        ])
        expect(settledOf({}, rows)).toEqual([])
    })

    test('mark what changed by them: another page, or a confidence that moved, but not themselves', () => {
        const after = [
            row('/fares', 0.97, 10, { page: { id: 'other', name: 'Other', address: '/other' } }),
            row('/boats', 0.8, 400),
            row('/nothing', 1, 70),
            row('/taken', 0.95, 5),
        ]
        const changed = changedBy(rows, after, { '/nothing': { page: { id: 'p', name: 'P' } } })
        expect([...changed]).toEqual(['/fares', '/boats'])
    })
})
