import { describe, expect, test } from 'vitest'
import type { Schemas } from '../../resources/js/api/client'
import {
    accepted,
    becomes,
    curve,
    expected,
    isFree,
    merged,
    shownRows,
    ticked,
    withChosen,
    type Row,
    type Shown,
} from '../../resources/js/views/matching/matching'

const page = (id: string) => ({ id, name: `Page of ${id}`, address: `/new${id}` })
const row = (old: string, confidence: number, requests: number, fields: object = {}): Row =>
    ({
        old,
        address: old,
        held: null,
        title: '',
        heading: '',
        confidence,
        none: Math.max(0, 0.9 - confidence),
        requests,
        page: page(old),
        next: [],
        chosen: null,
        isTaught: false,
        revision: 1,
        ...fields,
    }) as unknown as Row
const chose = (choice: string, id: string | null = null) => ({
    chosen: { choice, page: id === null ? null : page(id), by: 'Mairi', at: '2026-11-30T09:00:00Z' },
})
const rows = [
    row('/fares', 0.97, 10),
    row('/boats', 0.6, 400, { title: 'Our boats', isTaught: true }),
    row('/nothing', 0, 70, { page: null }),
    row('/taken', 0.99, 5, { held: 'page' }),
    row('/elsewhere', 0.99, 1, { address: null }),
]
const [fares, boats, nothing, taken, elsewhere] = rows as [Row, Row, Row, Row, Row]
const shown = (fields: Partial<Shown>, of: Row[] = rows) =>
    shownRows(of, { text: '', only: 'all', order: 'list', ...fields }, 90).map(each => each.old)

describe('a match', () => {
    test('is taken when it is sure enough', () => {
        expect(accepted(fares, 90)).toBe(true)
        expect(accepted(boats, 90)).toBe(false)
        expect(accepted(boats, 60)).toBe(true)
    })

    test('is taken or left by hand whatever the threshold says', () => {
        expect(accepted({ ...boats, ...chose('page', '/boats') } as Row, 90)).toBe(true)
        expect(accepted({ ...fares, ...chose('left') } as Row, 0)).toBe(false)
        expect(accepted({ ...nothing, ...chose('gone') } as Row, 90)).toBe(true)
        expect(accepted({ ...nothing, ...chose('page') } as Row, 0)).toBe(false)
    })

    test('is never taken for an address that somebody holds, or that cannot be one of this site', () => {
        for (const held of [taken, elsewhere]) {
            expect(isFree(held)).toBe(false)
            expect(accepted({ ...held, ...chose('gone') } as Row, 0)).toBe(false)
        }
    })

    test('becomes what was chosen, also where that is no longer there', () => {
        expect(becomes({ ...boats, ...chose('page', '/ships') } as Row)?.id).toBe('/ships')
        expect(becomes({ ...boats, ...chose('page') } as Row)).toBeNull()
        expect(becomes({ ...boats, ...chose('left') } as Row)?.id).toBe('/boats')
    })

    test('that is ticked says so only where the threshold does not say it', () => {
        expect(ticked(boats, true, 90)).toEqual({ choice: 'page', page: page('/boats') })
        expect(ticked(fares, false, 90)).toEqual({ choice: 'left' })
        expect(ticked({ ...boats, ...chose('page', '/boats') } as Row, false, 90)).toBeNull()
        expect(ticked(nothing, true, 90)).toBeNull()
    })
})

describe('the rows that are shown', () => {
    test.each<[Partial<Shown>, string[]]>([
        [{ only: 'accepted' }, ['/fares']],
        [{ only: 'open' }, ['/boats', '/nothing']],
        [{ only: 'none' }, ['/nothing']],
        [{ only: 'changed' }, ['/boats']],
        [{ only: 'nothing' }, ['/nothing']],
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

    test('begin with the surest of those that are not answered yet', () => {
        expect(shown({ order: 'surest' })).toEqual(['/fares', '/boats', '/nothing', '/taken', '/elsewhere'])
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

    test('counts what was chosen by hand as right', () => {
        const at = expected([{ ...boats, ...chose('page', '/boats') } as Row], 90)
        expect([at.rows, at.wrong]).toEqual([1, 0])
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

describe('a list that several work on', () => {
    const known = { list: { revision: 1 }, rows } as unknown as Schemas['MatchList']

    test('takes over the rows that changed, in their places', () => {
        const news = { list: { revision: 2 }, rows: [{ ...boats, revision: 2 }] } as unknown as Schemas['MatchList']
        const now = merged(known, news)
        expect(now.list.revision).toBe(2)
        expect(now.rows.map(each => [each.old, each.revision])).toEqual(
            rows.map(each => [each.old, each === boats ? 2 : 1]),
        )
        expect(merged(known, { ...news, rows: [] }).rows).toBe(rows)
    })

    test('shows at once what was chosen, and what was taken back', () => {
        const now = withChosen(known, [[boats, { choice: 'gone' }]], 'Mairi')
        expect(now.rows[1]).toMatchObject({ isTaught: false, chosen: { choice: 'gone', page: null, by: 'Mairi' } })
        expect(withChosen(now, [[boats, null]], 'Mairi').rows[1]?.chosen).toBeNull()
        expect(now.rows[0]).toBe(fares)
    })
})
