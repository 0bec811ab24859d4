import type { Schemas } from '../../api/client'

export type Source = Schemas['Source']
export type SourcePage = Schemas['SourcePage']
export type Status = SourcePage['status']
export type Said = Schemas['SourceSays']
export type Format = NonNullable<Said['format']>

export const formats: readonly (readonly [Format, string])[] = [
    ['table', 'a table'],
    ['sitemap', 'a sitemap'],
    ['addresses', 'a list of addresses'],
    ['log', 'an access log'],
    ['html', 'saved web pages'],
    ['markdown', 'Markdown files'],
    ['opml', 'an outline (OPML)'],
    ['json', 'a site file (JSON)'],
]

export const delimiters = [
    [',', 'commas'],
    [';', 'semicolons'],
    ['\t', 'tabs'],
    ['|', 'bars'],
] as const

export const encodings = [
    'UTF-8',
    'Windows-1252',
    'ISO-8859-1',
    'ISO-8859-2',
    'ISO-8859-15',
    'UTF-16LE',
    'UTF-16BE',
    'Windows-1251',
] as const

/** What a column of a table says, as people call it. */
export const columns: readonly (readonly [string, string])[] = [
    ['', 'not used'],
    ['address', 'Address'],
    ['name', 'Name'],
    ['parent', 'Parent'],
    ['level', 'One level of names'],
    ['heading', 'Heading'],
    ['slug', 'Slug'],
    ['kind', 'Kind'],
    ['leads to', 'Leads to'],
    ['layout', 'Layout'],
    ['state', 'State'],
    ['listed', 'Listed'],
    ['tags', 'Tags'],
    ['summary', 'Summary'],
    ['title', 'Search title'],
    ['description', 'Search description'],
    ['social title', 'Social title'],
    ['social description', 'Social description'],
    ['canonical', 'Canonical address'],
    ['index', 'Index'],
    ['follow', 'Follow'],
    ['target phrase', 'Target phrase'],
    ['markdown', 'Content (Markdown)'],
    ['html', 'Content (HTML)'],
    ['from', 'Goes live'],
    ['until', 'Ends'],
    ['former addresses', 'Former addresses'],
    ['requests', 'Requests'],
    ['id', 'Id of the page'],
]

export const statuses: readonly (readonly [Status, string])[] = [
    ['new', 'New'],
    ['between', 'Sections between'],
    ['changed', 'Changed'],
    ['same', 'The same already'],
    ['left', 'Left as they are'],
    ['refused', 'Not taken'],
]

export const statusLook: Record<Status, string> = {
    new: 'text-reed',
    between: 'text-ink-2',
    changed: 'text-heron',
    same: 'text-ink-3',
    left: 'text-ink-3',
    refused: 'text-berry',
}

export const oneStatus: Record<Status, string> = {
    new: 'new',
    between: 'section between',
    changed: 'changes',
    same: 'the same',
    left: 'left as it is',
    refused: 'not taken',
}
