import type { Schemas } from '../../api/client'

export type Found = Schemas['FoundText']
export type FoundPlace = Schemas['FoundPlace']

export const parts = [
    ['names', 'Names'],
    ['headings', 'Headings'],
    ['summaries', 'Summaries'],
    ['content', 'Content'],
    ['search', 'Search and social texts'],
    ['fields', 'Fields'],
    ['menus', 'Labels in menus'],
] as const

export type Part = (typeof parts)[number][0]

export const ways = [
    ['plain', 'As it is written'],
    ['words', 'Whole words'],
    ['pattern', 'Regular expression'],
] as const

const words: Record<string, string> = {
    name: 'name',
    heading: 'heading',
    summary: 'summary',
    searchTitle: 'search title',
    searchDescription: 'search description',
    socialTitle: 'social title',
    socialDescription: 'social description',
    content: 'content',
    label: 'label',
}

/** Where a place stands, as a person says it. */
export function whereInWords({ where, live }: FoundPlace) {
    const [first = '', key = '', row, column] = where.split('.')
    const place =
        first === 'fields'
            ? `field ${key}${row === undefined || row === 'alt' ? '' : `, row ${Number(row) + 1}, ${column ?? ''}`}`
            : (words[where] ?? where)
    return live ? `${place}, as visitors have it` : place
}
