import { describe, expect, test } from 'vitest'
import type { Schemas } from '../../resources/js/api/client'
import { amended, defaultsOf, withWay } from '../../resources/js/app/amending'
import type { Pending } from '../../resources/js/app/changes'
import { heldBy, wayOutLabel } from '../../resources/js/app/conflicts'

type Decision = Schemas['Decision']
type Way = Schemas['WayOut']

const rename = { kind: 'rename', page: '01', name: 'Fares' } as const
const goLive = { kind: 'go-live', page: '01' } as const
const redirect: Decision = { kind: 'retired', page: '01', answer: 'redirect' }
const gone: Decision = { kind: 'retired', page: '01', answer: 'gone' }

const way = (kind: Way['kind'], more: Partial<Way> = {}): Way =>
    ({ kind, changes: [], decisions: [], slug: null, ...more }) as Way

describe('a way out that is taken', () => {
    test('joins the changes, and the later decision on one thing counts', () => {
        const wanted = withWay(
            { batch: { changes: [rename], decisions: [redirect] } },
            { changes: [goLive], decisions: [gone] },
        )
        expect(wanted).toEqual({ batch: { changes: [rename, goLive], decisions: [gone] } })
    })

    test('leaves decisions on other things', () => {
        const other = { ...redirect, page: '02' }
        const wanted = withWay(
            { batch: { changes: [rename], decisions: [redirect] } },
            { changes: [], decisions: [other] },
        )
        expect(wanted.batch?.decisions).toEqual([redirect, other])
    })

    test('of something undone is a decision', () => {
        expect(
            withWay({ undo: { entries: ['e'], decisions: [redirect] } }, { changes: [], decisions: [gone] }),
        ).toEqual({
            undo: { entries: ['e'], decisions: [gone] },
        })
        expect(withWay({ undo: { since: '2026-11-30' } }, { changes: [] })).toEqual({
            undo: { since: '2026-11-30', decisions: [] },
        })
    })
})

describe('the defaults', () => {
    const pending = (conflicts: Way[][], questions: object[]) =>
        ({ ripple: { conflicts: conflicts.map(waysOut => ({ waysOut })), questions } }) as unknown as Pending

    test('are the first way out of each conflict, but not one that needs a choice', () => {
        const free = way('free-slug', { changes: [rename] as never })
        expect(defaultsOf(pending([[free, way('swap')], [way('choose-another')], []], []))).toEqual({
            changes: [rename],
            decisions: [],
        })
    })

    test('are what is asked for and nobody has answered', () => {
        const asked = { kind: 'retired', page: '01', default: 'redirect', open: true }
        expect(defaultsOf(pending([], [asked, { ...asked, page: '02', open: false }]))).toEqual({
            changes: [],
            decisions: [redirect],
        })
    })
})

describe('a plan that is to be applied', () => {
    test('keeps what is asked for beside it as it is where there is nothing to add', async () => {
        const plan = { id: 'p', only: ['s1'] }
        expect(await amended('ferries', { plan }, { changes: [] })).toEqual({ plan })
    })
})

describe('who holds an address', () => {
    const conflict = (held: object) =>
        ({
            address: '/fares',
            held: { since: null, name: 'Prices', state: null, kind: 'page', ...held },
        }) as unknown as Schemas['Conflict']

    test.each([
        [{ kind: 'reserved' }, '/fares is reserved: the system answers there itself.'],
        [{ state: 'bin' }, '/fares is kept for “Prices”, in the bin.'],
        [{ kind: 'rule' }, '/fares is held by a redirect.'],
        [{ kind: 'gone' }, '/fares is recorded as gone.'],
        [{ kind: 'redirect' }, '/fares is a redirect to “Prices”.'],
        [{ kind: 'also' }, '/fares is a further address of “Prices”.'],
        [{ state: 'live' }, '/fares is held by “Prices”.'],
        [{ state: 'review' }, '/fares is held by “Prices”, in review.'],
        [{ state: 'draft' }, '/fares is held by “Prices”, draft.'],
        [{ state: 'live', since: '2026-05-03T00:00:00Z' }, '/fares is held by “Prices” since 3 May 2026.'],
    ])('is said in a sentence, %j', (held, sentence) => {
        expect(heldBy(conflict(held))).toBe(sentence)
    })

    test('is got round in ways that are named apart', () => {
        const kinds = [
            'free-slug',
            'swap',
            'replace-redirect',
            'take-over',
            'delete-for-good',
            'answer-again',
            'stand-in-front',
            'choose-another',
        ] as const
        const labels = kinds.map(kind => wayOutLabel(way(kind, { slug: 'fares-2' })))
        expect(labels[0]).toBe('Use fares-2')
        expect(new Set(labels).size).toBe(kinds.length)
    })
})
