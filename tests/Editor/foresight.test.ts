import { describe, expect, it } from 'vitest'
import { said } from '../../resources/js/app/Foresight'
import {
    around,
    bend,
    found,
    isLeft,
    labelled,
    radiusOf,
    reach,
    type Graph,
} from '../../resources/js/views/findability/graph'
import { countOf } from '../../resources/js/views/findability/labels'
import type { Schemas } from '../../resources/js/api/client'

const nothing: Schemas['Foresight'] = {
    state: 'seen',
    appear: [],
    go: [],
    moved: [],
    appears: 0,
    goes: 0,
    deeper: 0,
    nearer: 0,
    orphaned: 0,
}

describe('what a change would do to findings', () => {
    it('is said in parts, and not at all where nothing changes', () => {
        expect(said(nothing)).toEqual([])
        expect(said({ ...nothing, appears: 1, goes: 2, deeper: 3, nearer: 1, orphaned: 1 })).toEqual([
            '1 finding appears',
            '2 findings go',
            '1 page can no longer be reached by clicking',
            '3 pages further away',
            '1 page nearer',
        ])
    })
})

describe('a group of findings', () => {
    it('counts what it is about', () => {
        expect(countOf({ of: 'pages', pages: 1 })).toBe('1 page')
        expect(countOf({ of: 'menus', pages: 2 })).toBe('2 entries')
        expect(countOf({ of: 'redirects', pages: 1 })).toBe('1 redirect')
    })
})

const page = (name: string, x: number, y: number, weight = 1, clicks: number | null = 1): Graph['pages'][number] => ({
    id: name,
    name,
    address: `/${name.toLowerCase()}`,
    section: null,
    clicks,
    linksIn: 0,
    weight,
    x,
    y,
})

const graph: Graph = {
    pages: [page('Home', 0, 0, 10, 0), page('Fares', 90, 0, 5), page('Help', -90, 0, 4), page('Lost', 0, 180, 1, null)],
    rings: [90, 180],
    ways: [
        [0, 1],
        [0, 2],
    ],
    links: [
        [1, 2],
        [3, 1],
    ],
    total: 4,
}

describe('the drawing of links', () => {
    it('knows what leads to a page and where it leads', () => {
        expect(around(graph, 1)).toEqual({ into: [0, 3], out: [2] })
        expect(around(graph, 3)).toEqual({ into: [], out: [1] })
    })

    it('finds pages by name and address', () => {
        expect(found(graph.pages, ' FAR', 5).map(({ n }) => n)).toEqual([1])
        expect(found(graph.pages, '/l', 5).map(({ n }) => n)).toEqual([3])
        expect(found(graph.pages, ' ', 5)).toEqual([])
    })

    it('names weighty pages first, none over another, and always the chosen one', () => {
        expect(labelled(graph.pages, 1)).toEqual([0, 1, 2, 3])
        const crowded = Array.from({ length: 40 }, (_, n) => page(`Page ${n}`, 10 + n / 10, 0, n))
        expect(labelled(crowded, 1)).toEqual([39])
        expect(labelled(crowded, 1, [3])).toEqual([3])
        expect(labelled(crowded, 60).length).toBeGreaterThan(5)
    })

    it('puts names outside and larger circles where there is more weight', () => {
        expect(isLeft(page('A', -20, 0))).toBe(true)
        expect(isLeft(page('A', 0, 0))).toBe(false)
        expect(radiusOf(page('A', 0, 0, 100))).toBeGreaterThan(radiusOf(page('A', 0, 0, 1)))
        expect(radiusOf(page('A', 0, 0, 1000))).toBe(8)
    })

    it('holds every ring, and bends links towards the middle', () => {
        expect(reach(graph)).toBe(280)
        expect(reach({ ...graph, rings: [] })).toBe(100)
        expect(bend(page('A', 100, 0), page('B', 0, 100))).toBe('M100 0Q30.0 30.0 0 100')
    })
})
