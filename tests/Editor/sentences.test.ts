import { describe, expect, test } from 'vitest'
import type { Schemas } from '../../resources/js/api/client'
import { noteWords } from '../../resources/js/app/noteWords'
import { findingOfRow, findingWords, mendWords } from '../../resources/js/views/addresses/findingWords'
import { answers, answerWords, key, type Row } from '../../resources/js/views/addresses/labels'
import { findingWords as menuFindingWords } from '../../resources/js/views/menus/labels'

const note = (kind: Schemas['RippleNote']['kind'], other: string | null = null) =>
    noteWords({ kind, page: '01', name: 'Fares', other } as Schemas['RippleNote'])
const row = (fields: Partial<Row>): Row =>
    ({ address: '/a', kind: 'page', isLive: true, redirect: null, waits: null, state: null, ...fields }) as Row
const redirect = (fields: object = {}) =>
    ({ id: '01', answer: '301', inFront: false, ...fields }) as NonNullable<Row['redirect']>

describe('a note of a ripple', () => {
    test.each<[Schemas['RippleNote']['kind'], string | null, string]>([
        ['retires', '0', '“Fares” goes into the bin, alone.'],
        ['retires', '1', '“Fares” goes into the bin, and 1 page inside it goes along.'],
        ['retires', '3', '“Fares” goes into the bin, and 3 pages inside it go along.'],
        ['stays-made', '2', '“Fares” stays: 2 pages lie inside it by now.'],
        ['stays-made', 'place', '“Fares” stays: its place has changed since it was made.'],
        ['pointer-broken', null, '“Fares” points to a page that is gone.'],
        ['pointer-broken', 'Times', '“Fares” points to “Times”, which visitors do not get.'],
        ['redirects-break', '1', '1 redirect leads to “Fares”, which visitors no longer get.'],
        ['redirects-break', '4', '4 redirects lead to “Fares”, which visitors no longer get.'],
        ['in-no-menu', null, 'No menu leads to “Fares” any more.'],
    ])('%s (%s)', (kind, other, words) => {
        expect(note(kind, other)).toBe(words)
    })

    test('without a name still says what happened', () => {
        expect(noteWords({ kind: 'is-gone', page: '01', name: '', other: null } as Schemas['RippleNote'])).toMatch(
            /^A page is no longer there/,
        )
        expect(note('is-gone')).toMatch(/^“Fares” is no longer there/)
    })
})

describe('what answers at an address', () => {
    test.each<[Partial<Row>, string]>([
        [{}, 'page'],
        [{ isLive: false }, 'page, not live'],
        [{ kind: 'former' }, 'redirects, 301'],
        [{ kind: 'former', isLive: false }, 'page not live'],
        [{ kind: 'missed' }, 'nothing, 404'],
        [{ kind: 'bin', waits: 'Winter offer' }, 'kept for “Winter offer”'],
        [{ kind: 'removed', redirect: redirect() }, 'redirect, removed'],
        [{ kind: 'one', redirect: redirect() }, 'redirects, 301'],
        [{ kind: 'one', redirect: redirect({ answer: '410' }) }, 'gone, 410'],
        [{ kind: 'one', redirect: redirect({ answer: 'pause' }), state: 'waiting' }, 'pause page, not yet'],
        [
            { kind: 'branch', redirect: redirect({ answer: '302', inFront: true }), state: 'off' },
            'redirects, 302, overrides the page, off',
        ],
    ])('%o', (fields, words) => {
        expect(answerWords(row(fields))).toBe(words)
    })

    test('is told apart from everything else at the same address', () => {
        const rows = [
            row({}),
            row({ kind: 'missed' }),
            row({ kind: 'one', redirect: redirect() }),
            row({ kind: 'removed', redirect: redirect() }),
        ]
        expect(new Set(rows.map(key)).size).toBe(rows.length)
    })
})

describe('findings', () => {
    test('of redirects are each told as a list, in a row, and with what mends them', () => {
        expect(Object.keys(findingOfRow)).toEqual(Object.keys(findingWords))
        expect(Object.keys(mendWords)).toEqual(Object.keys(findingWords))
        for (const words of [
            ...Object.values(findingWords).flat(),
            ...Object.values(findingOfRow),
            ...Object.values(mendWords),
        ])
            expect(words.trim()).not.toBe('')
    })

    test('of menus name the entry and the limit', () => {
        const finding = (kind: string, fields: object = {}) =>
            menuFindingWords({
                kind,
                label: 'Fares',
                hidden: null,
                count: 9,
                most: 2,
                ...fields,
            } as Schemas['MenuFinding'])
        expect(finding('crowded', { most: 7 })).toBe('9 entries stand side by side; beyond 7 it gets crowded.')
        expect(finding('too-deep')).toBe('“Fares” stands on level 3; this place shows 2.')
        expect(finding('page-hidden', { hidden: 'bin' })).toBe('“Fares” is not seen: the page is in the bin.')
    })

    test('of a redirect: every answer it may give is explained with its number', () => {
        for (const [answer, , words] of answers) if (answer !== 'pause') expect(words).toContain(`(${answer})`)
    })
})
