import { describe, expect, test } from 'vitest'
import { blank, blankPause, changeOf, draftOf, fieldsOf, isFull } from '../../resources/js/views/addresses/draft'
import type { Redirect } from '../../resources/js/views/addresses/labels'
import { findingOfRow, findingWords, mendWords } from '../../resources/js/views/addresses/findingWords'

const stored: Redirect = {
    id: '01',
    scope: 'one',
    source: '/q/harbour',
    answer: '302',
    query: 'drop',
    carriesRest: true,
    from: null,
    until: '2027-01-01T00:00:00Z',
    isOn: true,
    inFront: false,
    position: 0,
    note: 'On the pier',
    pause: null,
    origin: 'hand',
    leadsTo: { page: '02' },
}

describe('a redirect that is written', () => {
    test('is a draft of what is stored, and the same again when it is sent', () => {
        for (const leadsTo of [
            { page: '02' },
            { address: '/fares' },
            { url: 'https://a.example/' },
            { file: '03' },
        ] as Record<string, string>[]) {
            const draft = draftOf({ ...stored, leadsTo }, 'Fares')
            expect(draft.valueName).toBe('Fares')
            expect(fieldsOf(draft)).toEqual(
                expect.objectContaining({ leadsTo, source: '/q/harbour', until: stored.until, query: 'drop' }),
            )
        }
    })

    test('leads nowhere where it says that something is gone, and comes back with what it led to', () => {
        const gone = draftOf({ ...stored, answer: '410', leadsTo: null }, null)
        expect([gone.way, gone.value, gone.valueName]).toEqual(['page', '', ''])
        expect(fieldsOf(gone).leadsTo).toBeNull()
        const undecided = { ...draftOf(stored, 'Fares'), answer: '410' as const }
        expect(fieldsOf(undecided).leadsTo).toBeNull()
        expect(fieldsOf({ ...undecided, answer: '301' }).leadsTo).toEqual({ page: '02' })
    })

    test('has a pause only where it pauses', () => {
        const draft = draftOf(stored, 'Fares')
        expect(fieldsOf(draft).pause).toBeNull()
        expect(fieldsOf({ ...draft, answer: 'pause' }).pause).toEqual(blankPause)
        const pause = { ...blankPause, seconds: 9 }
        expect(fieldsOf({ ...draft, answer: 'pause', pause }).pause).toEqual(pause)
        expect(fieldsOf({ ...draft, answer: '301', pause }).pause).toBeNull()
    })

    test('is looked at once it has a source and leads somewhere', () => {
        const draft = blank('01', '/old')
        expect(isFull(draft)).toBe(false)
        expect(isFull({ ...draft, value: ' ' })).toBe(false)
        expect(isFull({ ...draft, value: '02' })).toBe(true)
        expect(isFull({ ...draft, answer: '410' })).toBe(true)
        expect(isFull({ ...draft, source: ' ', value: '02' })).toBe(false)
    })

    test('is made, or changed, under its identity', () => {
        const draft = { ...blank('01', '/old'), value: '02' }
        expect(changeOf('make-redirect', draft)).toMatchObject({ kind: 'make-redirect', redirect: '01' })
        expect(changeOf('change-redirect', draft)).toMatchObject({ kind: 'change-redirect', redirect: '01' })
        // What only the server says of it is not sent.
        for (const own of ['origin', 'position', 'valueName', 'way', 'id'])
            expect(changeOf('make-redirect', draft)).not.toHaveProperty(own)
    })
})

describe('what is found of redirects', () => {
    test('is said of one, of many, and with what mends it', () => {
        expect(Object.keys(findingOfRow)).toEqual(Object.keys(findingWords))
        expect(Object.keys(mendWords)).toEqual(Object.keys(findingWords))
        for (const [title, why] of Object.values(findingWords)) {
            expect(title).toMatch(/^[A-Z]/)
            expect(why).toMatch(/\.$/)
        }
    })
})
