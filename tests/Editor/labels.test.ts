import { describe, expect, test } from 'vitest'
import { ulid } from '../../resources/js/api/ulid'
import { groupsOf, summary, type Account } from '../../resources/js/app/rippleGroups'
import { readable } from '../../resources/js/ui/Address'
import { count } from '../../resources/js/ui/count'
import { among, turned } from '../../resources/js/ui/several'
import { textOf } from '../../resources/js/ui/textOf'
import { ago, fieldMoment, moment, shortDate } from '../../resources/js/ui/time'
import { blank, draftOf, fieldsOf, isFull } from '../../resources/js/views/addresses/draft'
import { audienceWords, hiddenWords, kindWord } from '../../resources/js/views/menus/labels'

const now = new Date('2026-11-28T12:00:00Z')

describe('moments', () => {
    test.each([
        ['2026-11-28T00:01:00Z', 'today'],
        ['2026-11-29T09:00:00Z', 'today'],
        ['2026-11-27T23:59:00Z', 'yesterday'],
        ['2026-11-24T08:00:00Z', 'Tue'],
        ['2026-11-21T08:00:00Z', '21 Nov'],
        ['2025-11-28T08:00:00Z', 'Nov 2025'],
    ])('%s is %s', (iso, words) => {
        expect(ago(iso, now)).toBe(words)
    })

    test('carry the year where it is another', () => {
        expect(shortDate('2026-05-03T00:00:00Z', now)).toBe('3 May')
        expect(shortDate('2027-05-03T00:00:00Z', now)).toBe('3 May 2027')
    })

    test('are said on the clock of the site', () => {
        expect(moment('2027-07-01T05:00:00Z', 'Europe/London')).toBe('1 July 2027, 06:00')
        expect(fieldMoment('2027-07-01T23:30:00Z', 'Europe/London')).toBe('2027-07-02T00:30')
        expect(fieldMoment('2027-01-01T05:00:00Z', 'Europe/London')).toBe('2027-01-01T05:00')
    })

    test('that somebody just typed stay as they are', () => {
        expect(fieldMoment('2027-07-01T23:30', 'Europe/London')).toBe('2027-07-01T23:30')
        expect(fieldMoment(null, 'Europe/London')).toBe('')
        expect(fieldMoment('', 'Europe/London')).toBe('')
    })
})

describe('words for numbers and lists', () => {
    test('count', () => {
        expect([0, 1, 2, 12_000].map(n => count(n, 'page'))).toEqual(['no pages', '1 page', '2 pages', '12,000 pages'])
        expect(count(2, 'address moves', 'addresses move')).toBe('2 addresses move')
    })

    test('values in an address go in and out', () => {
        expect(among(undefined)).toEqual([])
        expect(turned(undefined, 'one')).toBe('one')
        expect(turned('one', 'gone')).toBe('one,gone')
        expect(turned('one,gone', 'one')).toBe('gone')
        expect(turned('gone', 'gone')).toBeUndefined()
    })

    test('an address is read with its letters, and as it is where that is impossible', () => {
        expect(readable('/caf%C3%A9/a%2Fb')).toBe('/café/a%2Fb')
        expect(readable('/%E0%A4%A')).toBe('/%E0%A4%A')
    })
})

describe('a new identity', () => {
    test('is a ULID, in the order of time', () => {
        const some = Array.from({ length: 200 }, (_, n) => ulid(1_700_000_000_000 + n * 1000))
        for (const id of some) expect(id).toMatch(/^[0-7][0-9A-HJKMNP-TV-Z]{25}$/)
        expect(some.slice().sort()).toEqual(some)
        expect(new Set(Array.from({ length: 2000 }, () => ulid(5))).size).toBe(2000)
    })
})

describe('the text of a file', () => {
    const read = (...bytes: number[]) => textOf(new File([new Uint8Array(bytes)], 'list.csv'))

    test('is read in the encoding that it seems to have', async () => {
        expect(await read(0x63, 0xc3, 0xa9)).toBe('cé')
        expect(await read(0x63, 0xe9)).toBe('cé')
        expect(await read(0xff, 0xfe, 0x63, 0x00, 0xe9, 0x00)).toBe('cé')
        expect(await read(0xfe, 0xff, 0x00, 0x63, 0x00, 0xe9)).toBe('cé')
        expect(await read(0xef, 0xbb, 0xbf, 0x63)).toBe('c')
        expect(await read()).toBe('')
    })
})

describe('a redirect while it is written', () => {
    test('says enough with an address and where it leads; "gone" leads nowhere', () => {
        expect(isFull(blank('01'))).toBe(false)
        expect(isFull({ ...blank('01', '/old'), value: '  ' })).toBe(false)
        expect(isFull({ ...blank('01', '/old'), value: '/new' })).toBe(true)
        expect(isFull({ ...blank('01', '/old'), answer: '410' })).toBe(true)
        expect(isFull({ ...blank('01', '  '), value: '/new' })).toBe(false)
    })

    test('becomes the fields of a change, of which none contradict each other', () => {
        const draft = { ...blank('01', '/old'), way: 'url' as const, value: 'https://tides.example/' }
        expect(fieldsOf(draft)).toMatchObject({
            source: '/old',
            answer: '301',
            leadsTo: { url: 'https://tides.example/' },
            pause: null,
        })
        expect(fieldsOf({ ...draft, answer: '410' })).toMatchObject({ leadsTo: null, pause: null })
        expect(fieldsOf({ ...draft, answer: 'pause' }).pause).toMatchObject({ seconds: 5 })
        expect(fieldsOf(draft)).not.toHaveProperty('id')
    })

    test('is what the redirect was, when nothing is typed', () => {
        const redirect = {
            ...fieldsOf({ ...blank('01', '/old'), value: 'PAGE' }),
            id: '01',
            position: 0,
            origin: 'hand',
        }
        const draft = draftOf(redirect as Parameters<typeof draftOf>[0], 'Fares')
        expect([draft.way, draft.value, draft.valueName]).toEqual(['page', 'PAGE', 'Fares'])
        expect(fieldsOf(draft)).toEqual(fieldsOf({ ...blank('01', '/old'), value: 'PAGE' }))
    })
})

describe('what a ripple says', () => {
    const counts = {
        addresses: 4,
        redirectsWritten: 1,
        redirectsDropped: 0,
        gone: 1,
        live: 0,
        offline: 0,
        bin: 0,
        menu: 2,
        redirects: 0,
        rawLinks: 0,
        copies: 0,
        linksFollow: 21,
        linksBreak: 0,
        sitemap: 4,
    }

    test('in one line', () => {
        expect(summary({ counts } as Account)).toBe('4 addresses move, 1 redirect, 2 menu entries')
        expect(summary({ counts: { ...counts, addresses: 1, menu: 1 } } as Account)).toBe(
            '1 address moves, 1 redirect, 1 menu entry',
        )
    })

    test('in groups, each with its number and the right word, nothing that does not happen', () => {
        const groups = groupsOf({ counts } as Account)
        expect(groups.map(({ key, count: n }) => [key, n])).toEqual(
            Object.entries(counts)
                .filter(([, n]) => n > 0)
                .sort(
                    ([a], [b]) => groups.findIndex(({ key }) => key === a) - groups.findIndex(({ key }) => key === b),
                ),
        )
        expect(groups.find(({ key }) => key === 'redirectsWritten')?.word).toBe('redirect written')
        expect(groups.filter(({ breaks }) => breaks).map(({ key }) => key)).toEqual(['gone'])
    })
})

describe('why somebody does not see an entry', () => {
    const why = (hidden: Parameters<typeof hiddenWords>[0]['hidden'], when: string | null = null, audience?: string) =>
        hiddenWords({ hidden, when }, audience)

    test('is said in words', () => {
        expect(why(null)).toBe('')
        expect(why('not-yet', '2099-05-01T00:00:00Z')).toBe('from 1 May 2099')
        expect(why('over', '2001-05-01T00:00:00Z')).toBe('ended 1 May 2001')
        expect(why('audience', null, 'roles:islander,crew')).toBe('islander, crew only')
        expect(why('bin')).toBe('the page is in the bin')
    })

    test('names who sees it, and what it is', () => {
        expect(['', 'everyone', 'visitors', 'signed-in'].map(audienceWords)).toEqual([
            'everyone',
            'everyone',
            'visitors',
            'signed-in people',
        ])
        expect([kindWord('url'), kindWord('branch')]).toEqual(['URL', 'branch'])
    })
})
