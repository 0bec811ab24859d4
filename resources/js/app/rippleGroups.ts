import type { Schemas } from '../api/client'
import { count } from '../ui/count'

export type Account = Schemas['RippleAccount']
export type GroupKey =
    | 'addresses'
    | 'redirectsWritten'
    | 'redirectsDropped'
    | 'gone'
    | 'live'
    | 'offline'
    | 'bin'
    | 'menu'
    | 'redirects'
    | 'rawLinks'
    | 'copies'
    | 'titles'
    | 'indexing'
    | 'canonicals'
    | 'visitors'
    | 'access'
    | 'linksFollow'
    | 'linksBreak'
    | 'linksClosed'
    | 'sitemap'

const words: Record<GroupKey, [string, string]> = {
    addresses: ['address moves', 'addresses move'],
    redirectsWritten: ['redirect written', 'redirects written'],
    redirectsDropped: ['redirect dropped', 'redirects dropped'],
    gone: ['address gone', 'addresses gone'],
    live: ['page goes live', 'pages go live'],
    offline: ['page goes offline', 'pages go offline'],
    bin: ['page to the bin', 'pages to the bin'],
    visitors: ['page opened or closed', 'pages opened or closed'],
    menu: ['menu entry', 'menu entries'],
    redirects: ['redirect by hand', 'redirects by hand'],
    rawLinks: ['link by address', 'links by address'],
    copies: ['copy made', 'copies made'],
    titles: ['title changes', 'titles change'],
    indexing: ['page for search engines', 'pages for search engines'],
    canonicals: ['canonical address', 'canonical addresses'],
    access: ['right changes', 'rights change'],
    linksFollow: ['link follows', 'links follow'],
    linksBreak: ['link breaks', 'links break'],
    linksClosed: ['link to what is closed', 'links to what is closed'],
    sitemap: ['sitemap entry', 'sitemap entries'],
}

/** What is only counted, told in a sentence. */
export const told: Partial<Record<GroupKey, string>> = {
    linksFollow: 'Links in content lead to the page, not to its address, so they follow by themselves.',
    linksBreak:
        'Links in content lead to pages that visitors no longer get. The text stays; the link is left out until the page is back.',
    linksClosed:
        'Links in content lead to pages that not everyone sees any more. Whoever follows one gets what was chosen for those who may not see them.',
    sitemap: 'The sitemap is written anew with these entries added, gone or under their new address.',
}

export function groupsOf({ counts }: Account) {
    return (Object.keys(words) as GroupKey[])
        .filter(key => counts[key] > 0)
        .map(key => ({
            key,
            count: counts[key],
            word: words[key][counts[key] === 1 ? 0 : 1],
            breaks: key === 'linksBreak' || key === 'gone',
        }))
}

export function summary({ counts }: Account) {
    const said = [
        counts.addresses > 0 && count(counts.addresses, 'address moves', 'addresses move'),
        counts.bin > 0 && `${count(counts.bin, 'page')} to the bin`,
        counts.live > 0 && `${count(counts.live, 'page')} live`,
        counts.offline > 0 && `${count(counts.offline, 'page')} offline`,
        counts.copies > 0 && count(counts.copies, 'copy', 'copies'),
        counts.redirectsWritten > 0 && count(counts.redirectsWritten, 'redirect'),
        counts.menu > 0 && count(counts.menu, 'menu entry', 'menu entries'),
        counts.redirects > 0 && count(counts.redirects, 'redirect by hand', 'redirects by hand'),
        counts.titles > 1 && count(counts.titles, 'title'),
        counts.visitors > 0 && `${count(counts.visitors, 'page')} opened or closed`,
        counts.indexing > 0 && `${count(counts.indexing, 'page')} for search engines`,
        counts.rawLinks > 0 && count(counts.rawLinks, 'link written as an address', 'links written as addresses'),
    ].filter(Boolean)
    return said.join(', ')
}
