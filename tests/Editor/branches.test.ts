import { describe, expect, it } from 'vitest'
import { leftOut, onlyBranch, settle } from '../../resources/js/views/menus/branches'
import type { Entry } from '../../resources/js/views/menus/arrangement'
import type { Schemas } from '../../resources/js/api/client'

type Shown = Schemas['ShownEntry']
const one = (page: string, under: Shown[] = [], hidden: Shown['hidden'] = null): Shown => ({
    entry: 'B',
    kind: 'branch',
    page,
    label: page,
    href: `/${page}`,
    hidden,
    when: null,
    text: '',
    picture: null,
    isLocked: false,
    under,
})
const branch: Entry = { id: 'B', kind: 'branch', page: null, depth: 2, out: ['legal'] }
const heading: Entry = { id: 'H', kind: 'heading', label: 'More' }
const shown = [one('travel', [one('fares'), one('routes')]), one('help'), one('legal', [], 'left-out')]
/** Kinds and pages as one reads them: `page travel (branch travel)`. */
const read = (entries: Entry[]): string =>
    entries
        .map(entry => {
            const below = read(entry.entries ?? [])
            return `${entry.kind} ${entry.page ?? entry.label ?? ''}${below === '' ? '' : ` (${below})`}`
        })
        .join(', ')

describe('A page that a branch shows', () => {
    it('gets an entry of its own, with the branch going on below each of its level', () => {
        const settled = settle([branch, heading], shown, { entry: 'B', page: 'help' })
        expect(read(settled?.entries ?? [])).toBe('page travel (branch travel), page help, heading More')
        expect(settled?.opened).toEqual(['The top of the tree'])
        expect(settled?.entries[1]?.id).toBe(settled?.id)
        expect(settled?.entries[0]?.entries?.[0]).toMatchObject({ depth: 1, out: ['legal'] })
    })
    it('is found on a deeper level, where the branch below is opened as well', () => {
        const settled = settle([heading, branch], shown, { entry: 'B', page: 'routes' })
        expect(read(settled?.entries ?? [])).toBe('heading More, page travel (page fares, page routes), page help')
        expect(settled?.opened).toEqual(['The top of the tree', 'travel'])
    })
    it('stays what it is where it is an entry already', () => {
        expect(settle([heading, branch], shown, { entry: 'H', page: null })).toEqual({
            entries: [heading, branch],
            id: 'H',
            opened: [],
        })
    })
    it('is known once it has been given one', () => {
        const made = new Map<string, string>()
        const first = settle([branch], shown, { entry: 'B', page: 'travel' }, made)
        const second = settle(first?.entries ?? [], shown, { entry: 'B', page: 'help' }, made)
        expect(second?.entries).toBe(first?.entries)
        expect(second?.opened).toEqual([])
    })
    it('is nothing where it is not seen', () => {
        expect(settle([branch], shown, { entry: 'B', page: 'elsewhere' })).toBeNull()
        expect(settle([branch], shown, { entry: 'gone', page: 'help' })).toBeNull()
    })
    it('is left out, and shown again', () => {
        const out = leftOut([branch], { entry: 'B', page: 'help' }, 'Help', true)
        expect(out[0]?.out).toEqual(['legal', 'help'])
        expect(leftOut(out, { entry: 'B', page: 'help' }, 'Help', false)[0]?.out).toEqual(['legal'])
    })
    it('is all that a menu has, or not', () => {
        expect(onlyBranch([branch])?.id).toBe('B')
        expect(onlyBranch([branch, heading])).toBeUndefined()
    })
})
