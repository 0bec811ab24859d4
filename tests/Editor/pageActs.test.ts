import { describe, expect, test } from 'vitest'
import { actLabel, actsOn, proposalOf, whomOf, type ActedOn, type PageAct } from '../../resources/js/app/pageActs'
import type { Right } from '../../resources/js/app/site'

const page: ActedOn = {
    id: '01',
    name: 'Fares',
    state: 'live',
    listed: true,
    isProtected: false,
    start: false,
    kind: 'page',
    leftOut: false,
    children: 0,
    edited: false,
}
const all = () => true
const only =
    (...rights: Right[]) =>
    (right: Right) =>
        rights.includes(right)

/** Which right each takes, of a page that is not before visitors. */
const takes: [PageAct, Right][] = [
    ['go-live', 'publish'],
    ['go-live-branch', 'publish'],
    ['send-for-review', 'write'],
    ['duplicate', 'structure'],
    ['put-in-bin', 'structure'],
]

describe('what is offered of a page', () => {
    test('is what makes sense of it as it is', () => {
        expect(actsOn(page, all, false)).toEqual([
            'take-offline',
            'duplicate',
            'unlist-page',
            'set-start-page',
            'put-in-bin',
        ])
        expect(actsOn({ ...page, edited: true, children: 2 }, all, true)).toEqual([
            'go-live-branch',
            'publish',
            'take-offline',
            'take-offline-branch',
            'duplicate',
            'unlist-page',
            'set-start-page',
            'protect',
            'put-in-bin',
        ])
        expect(actsOn({ ...page, state: 'draft', listed: false }, all, false)).toEqual([
            'go-live',
            'send-for-review',
            'duplicate',
            'list-page',
            'put-in-bin',
        ])
        expect(actsOn({ ...page, kind: 'section', leftOut: true, isProtected: true }, all, true)).toContain(
            'include-in-addresses',
        )
        expect(actsOn({ ...page, isProtected: true }, all, true)).toContain('unprotect')
    })

    test('is never to put the start page in the bin, nor to make it the start page once more', () => {
        const acts = actsOn({ ...page, start: true }, all, true)
        expect(acts).not.toContain('put-in-bin')
        expect(acts).not.toContain('set-start-page')
    })

    test.each(takes)('holds %s for those who may “%s”, and for nobody else', (act, right) => {
        const draft: ActedOn = { ...page, state: 'draft', children: 1 }
        expect(actsOn(draft, only(right), false)).toContain(act)
        const others = (['publish', 'write', 'structure', 'retire', 'settings', 'addresses'] as const).filter(
            each => each !== right,
        )
        expect(actsOn(draft, only(...others), false)).not.toContain(act)
    })

    test('is to retire what visitors see for those who may retire, and to unlist it for those who may publish too', () => {
        expect(actsOn(page, only('structure'), false)).toEqual(['duplicate'])
        expect(actsOn(page, only('retire'), false)).toEqual(['take-offline', 'put-in-bin'])
        expect(actsOn(page, only('structure', 'publish'), false)).toEqual(['duplicate', 'unlist-page'])
        expect(actsOn({ ...page, kind: 'section' }, only('structure', 'addresses'), false)).toContain(
            'leave-out-of-addresses',
        )
    })

    test('is nothing to those who may only see it', () => {
        for (const state of ['live', 'draft', 'review', 'offline'] as const)
            expect(actsOn({ ...page, state, children: 3, edited: true }, () => false, false)).toEqual([])
    })
})

describe('what is proposed', () => {
    const fares = { id: '01', name: 'Fares' }
    const help = { id: '02', name: 'Help' }

    test('names the page, or how many they are', () => {
        expect(proposalOf('put-in-bin', [fares])).toEqual({
            title: 'Putting Fares in the bin',
            act: 'Put in bin',
            batch: { changes: [{ kind: 'put-in-bin', page: '01' }] },
        })
        expect(proposalOf('take-offline-branch', [fares, help])).toEqual({
            title: 'Taking 2 pages offline with all below',
            act: 'Take offline with all below',
            batch: { changes: [{ kind: 'take-offline', pages: ['01', '02'], scope: 'branch' }] },
        })
    })

    test('gives each copy an identity of its own', () => {
        const copyOf = () => JSON.stringify(proposalOf('duplicate', [fares]).batch)
        expect(copyOf()).not.toBe(copyOf())
        expect(proposalOf('duplicate', [fares]).act).toBe('Duplicate')
    })

    test('is of one page where a site has one such', () => {
        expect(proposalOf('set-start-page', [fares, help]).batch.changes).toEqual([
            { kind: 'set-start-page', page: '01' },
        ])
    })

    test('names pages as a change does', () => {
        expect(whomOf([fares])).toEqual({ page: '01' })
        expect(whomOf([fares, help])).toEqual({ pages: ['01', '02'] })
        expect(whomOf([])).toEqual({ pages: [] })
    })

    test('is called by what it does', () => {
        for (const act of actsOn({ ...page, children: 1, edited: true }, all, true))
            expect(actLabel(act)).toMatch(/^[A-Z]/)
    })
})
