import { describe, expect, it } from 'vitest'
import {
    cellsOf,
    overtaken,
    pasted,
    put,
    replaced,
    valueOf,
    type Row,
} from '../../resources/js/views/findability/gridEdits'

const row = (id: string, searchTitle = '', searchDescription = ''): Row => ({
    id,
    name: id,
    address: `/${id}`,
    state: 'live',
    layout: 'page',
    level: 0,
    searchTitle,
    searchDescription,
    title: searchTitle,
    titleWidth: 0,
    titleDouble: false,
    description: searchDescription,
    descriptionSource: 'own',
    descriptionWidth: 0,
    descriptionDouble: false,
    findings: [],
})

describe('the grid of titles and descriptions', () => {
    it('forgets an edit that says again what stands', () => {
        const a = row('a', 'Old')
        const edits = put({}, [{ row: a, column: 'searchTitle', value: 'New' }])
        expect(valueOf(edits, a, 'searchTitle')).toBe('New')
        expect(put(edits, [{ row: a, column: 'searchTitle', value: 'Old' }])).toEqual({})
    })

    it('reads rows of a spreadsheet, with quoted cells and any line break', () => {
        expect(cellsOf('a\tb\r\n"c\nd"\t"say ""x"""\n')).toEqual([
            ['a', 'b'],
            ['c\nd', 'say "x"'],
        ])
        expect(cellsOf('')).toEqual([['']])
    })

    it('pastes downwards and to the right, and says how many lines found no row', () => {
        const rows = [row('a'), row('b'), row('c')]
        const { cells, lines, left } = pasted(rows, 1, 'searchTitle', 'one\ttwo\tthree\nfour\nfive\nsix')
        expect(cells.map(({ row: of, column, value }) => [of.id, column, value])).toEqual([
            ['b', 'searchTitle', 'one'],
            ['b', 'searchDescription', 'two'],
            ['c', 'searchTitle', 'four'],
        ])
        expect([lines, left]).toEqual([4, 2])
    })

    it('replaces a text as it stands, not as an expression', () => {
        const rows = [row('a', 'Fares (2019) · fares'), row('b', 'Boats')]
        const cells = replaced({}, rows, 'searchTitle', '(2019)', '$1')
        expect(cells.map(cell => cell.value)).toEqual(['Fares $1 · fares'])
        expect(replaced({}, rows, 'searchTitle', 'FARES', 'Prices')[0]?.value).toBe('Prices (2019) · Prices')
        expect(replaced({}, rows, 'searchTitle', '', 'x')).toEqual([])
    })

    it('finds cells that somebody else saved meanwhile', () => {
        const edits = put({}, [
            { row: row('a', 'Old'), column: 'searchTitle', value: 'Mine' },
            { row: row('b', 'Old'), column: 'searchTitle', value: 'Mine' },
            { row: row('c', 'Old'), column: 'searchTitle', value: 'Same' },
        ])
        const now = [row('a', 'Theirs'), row('b', 'Old'), row('c', 'Same')]
        expect(overtaken(edits, now).map(each => [each.row.id, each.mine, each.theirs])).toEqual([
            ['a', 'Mine', 'Theirs'],
        ])
    })
})
