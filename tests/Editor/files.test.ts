import { describe, expect, test } from 'vitest'
import { ending, filtered, foldersOf, size, usesInWords, type SiteFile } from '../../resources/js/views/files/files'
import { changeOf } from '../../resources/js/views/replace/useFound'
import { whereInWords, type FoundPlace } from '../../resources/js/views/replace/parts'

const file = (name: string, change: Partial<SiteFile> = {}): SiteFile => ({
    id: name,
    name,
    address: `/_files/${name}`,
    width: null,
    height: null,
    folder: '',
    kind: 'document',
    mime: 'text/plain',
    bytes: 10,
    alt: '',
    caption: '',
    focus: null,
    number: 1,
    uses: 1,
    small: null,
    changed: '2027-01-01T00:00:00Z',
    binned: null,
    ...change,
})

const names = (files: SiteFile[]) => files.map(({ name }) => name)

describe('files', () => {
    const all = [
        file('b.pdf', { bytes: 2000, changed: '2027-03-01T00:00:00Z', folder: 'Fares' }),
        file('a.png', { kind: 'picture', uses: 0, alt: 'A pier', folder: 'Fares/Old' }),
        file('c.webm', { kind: 'film', bytes: 5_000_000 }),
        file('gone.txt', { binned: '2027-01-01T00:00:00Z', uses: 0, folder: 'Fares' }),
    ]

    test('are listed by name, without those in the bin', () => {
        expect(names(filtered(all, {}))).toEqual(['a.png', 'b.pdf', 'c.webm'])
        expect(names(filtered(all, { use: 'binned' }))).toEqual(['gone.txt'])
    })

    test('are sorted by date and by size', () => {
        expect(names(filtered(all, { sort: 'newest' }))[0]).toBe('b.pdf')
        expect(names(filtered(all, { sort: 'largest' }))).toEqual(['c.webm', 'b.pdf', 'a.png'])
    })

    test('are found by name, text, kind, use and folder', () => {
        expect(names(filtered(all, { text: ' PIER ' }))).toEqual(['a.png'])
        expect(names(filtered(all, { text: '.webm' }))).toEqual(['c.webm'])
        expect(names(filtered(all, { kind: 'film' }))).toEqual(['c.webm'])
        expect(names(filtered(all, { use: 'unused' }))).toEqual(['a.png'])
        expect(names(filtered(all, { use: 'used' }))).toEqual(['b.pdf', 'c.webm'])
        expect(names(filtered(all, { folder: 'Fares' }))).toEqual(['a.png', 'b.pdf'])
        expect(names(filtered(all, { folder: 'Fares/Old' }))).toEqual(['a.png'])
        expect(names(filtered(all, { folder: 'Far' }))).toEqual([])
        expect(names(filtered(all, { folder: '/' }))).toEqual(['c.webm'])
    })

    test('a folder counts what is in it and below', () => {
        expect(foldersOf(all)).toEqual([
            ['Fares', 2],
            ['Fares/Old', 1],
        ])
    })

    test('say how large they are, what they are and how often they are used', () => {
        expect([size(999), size(1000), size(44_400), size(1_000_000), size(2_540_000)]).toEqual([
            '999 bytes',
            '1 kB',
            '44 kB',
            '1 MB',
            '2.5 MB',
        ])
        expect(ending('fares.2027.csv')).toBe('CSV')
        expect(all.map(usesInWords)).toEqual(['used once', 'not used', 'used once', 'in the bin'])
        expect(usesInWords(file('x', { uses: 3 }))).toBe('used 3 times')
    })
})

describe('finding and replacing', () => {
    const place = (where: string, live = false): FoundPlace => ({
        key: 'x',
        where,
        live,
        before: '',
        is: 'a',
        becomes: 'b',
        after: '',
    })

    test('a place says where it stands', () => {
        expect(whereInWords(place('searchTitle'))).toBe('search title')
        expect(whereInWords(place('fields.sails'))).toBe('field sails')
        expect(whereInWords(place('fields.fares.0.name'))).toBe('field fares, row 1, name')
        expect(whereInWords(place('fields.picture.alt'))).toBe('field picture')
        expect(whereInWords(place('content', true))).toBe('content, as visitors have it')
    })

    test('the form is a change, plain and everywhere where nothing else is said', () => {
        expect(changeOf({ find: 'a' })).toEqual({
            kind: 'replace-text',
            find: 'a',
            with: '',
            way: 'plain',
            matchCase: false,
        })
        expect(
            changeOf({ find: 'a', with: 'b', way: 'pattern', case: true, parts: 'names,content', pages: 'x,y' }),
        ).toMatchObject({ way: 'pattern', matchCase: true, parts: ['names', 'content'], in: ['x', 'y'] })
        expect(changeOf({ find: 'a', branch: 'z', way: 'nonsense' })).toMatchObject({ branch: 'z', way: 'plain' })
    })
})
