import { describe, expect, test } from 'vitest'
import { groupsOf, summary, told, type Account } from '../../resources/js/app/rippleGroups'

const nothing: Account['counts'] = {
    addresses: 0,
    redirectsWritten: 0,
    redirectsDropped: 0,
    gone: 0,
    live: 0,
    offline: 0,
    bin: 0,
    menu: 0,
    redirects: 0,
    rawLinks: 0,
    copies: 0,
    titles: 0,
    indexing: 0,
    canonicals: 0,
    visitors: 0,
    access: 0,
    linksFollow: 0,
    linksBreak: 0,
    linksClosed: 0,
    sitemap: 0,
}
const account = (counts: Partial<Account['counts']>) => ({ counts: { ...nothing, ...counts } }) as Account

describe('the parts of a ripple', () => {
    test('are those in which something happens, one or several in words', () => {
        expect(groupsOf(account({}))).toEqual([])
        expect(groupsOf(account({ addresses: 1, menu: 3 })).map(each => `${each.count} ${each.word}`)).toEqual([
            '1 address moves',
            '3 menu entries',
        ])
    })

    test('that break something are marked, and nothing else is', () => {
        const every = Object.fromEntries(Object.keys(nothing).map(key => [key, 2]))
        const groups = groupsOf(account(every))
        expect(groups).toHaveLength(Object.keys(nothing).length)
        expect(groups.filter(each => each.breaks).map(each => each.key)).toEqual(['gone', 'linksBreak'])
        expect(new Set(groups.map(each => each.word)).size).toBe(groups.length)
    })

    test('that are only counted are told in a sentence', () => {
        for (const sentence of Object.values(told)) expect(sentence).toMatch(/\.$/)
        expect(Object.keys(told)).toEqual(['linksFollow', 'linksBreak', 'linksClosed', 'sitemap'])
    })
})

describe('a ripple in a line', () => {
    test('says what weighs first', () => {
        expect(summary(account({ menu: 1, addresses: 1200, redirectsWritten: 2 }))).toBe(
            '1,200 addresses move, 2 redirects, 1 menu entry',
        )
        expect(summary(account({ bin: 1, offline: 2, visitors: 1 }))).toBe(
            '1 page to the bin, 2 pages offline, 1 page opened or closed',
        )
    })

    test('says nothing of a title that moves along with its page, nor of what is only counted', () => {
        expect(summary(account({ titles: 1, linksFollow: 4, sitemap: 3 }))).toBe('')
        expect(summary(account({ titles: 2 }))).toBe('2 titles')
    })
})
