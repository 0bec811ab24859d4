import { describe, expect, test } from 'vitest'
import {
    label,
    layOut,
    legends,
    stem,
    tintOf,
    type Drawn,
    type StructureNode,
} from '../../resources/js/views/outline/drawing'
import { dice } from './menu'

const node = (id: string, parent: string | null, size = 1): StructureNode =>
    ({ id, parent, name: id, size, state: 'live', changed: '2026-11-01T00:00:00Z' }) as StructureNode
const at = (drawn: Drawn[], id: string) => drawn.find(each => each.node.id === id) as Drawn

describe('the structure as a picture', () => {
    const { drawn, width, height } = layOut([
        node('travel', null, 4),
        node('routes', 'travel'),
        node('fares', 'travel', 2),
        node('bikes', 'fares'),
        node('help', null),
    ])

    test('has a column a level, and a line a leaf', () => {
        expect(at(drawn, 'routes').x).toBe(at(drawn, 'fares').x)
        expect(at(drawn, 'routes').x).toBeGreaterThan(at(drawn, 'travel').x)
        expect([at(drawn, 'routes').y, at(drawn, 'bikes').y, at(drawn, 'help').y]).toEqual([20, 44, 68])
    })

    test('puts a parent in the middle of its children', () => {
        expect(at(drawn, 'fares').y).toBe(at(drawn, 'bikes').y)
        expect(at(drawn, 'travel').y).toBe((at(drawn, 'routes').y + at(drawn, 'fares').y) / 2)
    })

    test('says of each page what it lies in', () => {
        expect(at(drawn, 'bikes').within).toEqual(['travel', 'fares'])
        expect(at(drawn, 'help').within).toEqual([])
    })

    test('draws a thicker stem to a larger branch', () => {
        expect(at(drawn, 'travel').thick).toBe(10)
        expect(at(drawn, 'fares').thick).toBeGreaterThan(at(drawn, 'routes').thick)
    })

    test('is large enough for everything', () => {
        for (const { x, y } of drawn) expect(x < width && y < height).toBe(true)
    })

    test('begins with a page whose parent is not in the picture', () => {
        expect(at(layOut([node('bikes', 'fares')]).drawn, 'bikes').parent).toBeNull()
        expect(layOut([]).drawn).toEqual([])
    })

    test('never puts two pages of one column on one line, whatever the tree', () => {
        for (let seed = 1; seed <= 40; seed++) {
            const throwing = dice(seed)
            const nodes = Array.from({ length: 5 + throwing(40) }, (_, n) =>
                node(`n${n}`, n === 0 || throwing(4) === 0 ? null : `n${throwing(n)}`),
            )
            const places = layOut(nodes).drawn.map(({ x, y }) => `${x} ${y}`)
            expect(new Set(places).size).toBe(nodes.length)
        }
    })

    test('draws stems from left to right', () => {
        const way = stem(at(drawn, 'travel'), at(drawn, 'fares'))
        const [start, end] = [Number(/^M([\d.]+)/.exec(way)?.[1]), Number(/([\d.]+) [\d.]+$/.exec(way)?.[1])]
        expect(start).toBeLessThan(end)
        expect(label(node('A very long name of a page indeed', null))).toHaveLength(24)
    })
})

describe('the tint of a mark', () => {
    const now = new Date('2026-11-28T00:00:00Z').getTime()
    const changed = (iso: string) => tintOf({ ...node('a', null), changed: iso }, 'changed', now)

    test('follows the state, or when the page was changed', () => {
        expect(tintOf(node('a', null), 'state')).toBe('var(--reed)')
        expect(['2026-11-27', '2026-10-27', '2026-01-27', '2020-01-01'].map(changed)).toEqual([
            'var(--heron)',
            'var(--reed)',
            'var(--amber)',
            'var(--ink-3)',
        ])
    })

    test('is explained, whatever it is', () => {
        for (const iso of ['2026-11-27', '2026-10-27', '2026-01-27', '2020-01-01'])
            expect(legends.changed.map(([tint]) => tint)).toContain(changed(iso))
        for (const state of ['live', 'draft', 'review', 'offline'] as const)
            expect(legends.state.map(([tint]) => tint)).toContain(tintOf({ ...node('a', null), state }, 'state'))
    })
})
