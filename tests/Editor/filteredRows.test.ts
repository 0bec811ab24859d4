import { expect, test } from 'vitest'
import { whole } from '../../resources/js/api/rows'
import { filtered, flat, type Page } from '../../resources/js/views/outline/rows'
import { chance } from './writingDocument'

const page = (id: string, level: number, parent: string | null): Page =>
    whole({ id, parent, name: id, address: `/${id}`, children: 0, level } as Parameters<typeof whole>[0])

/** A tree in its order, as a filter finds it: ancestors among what was found. */
function tree(seed: number, size: number) {
    const random = chance(seed)
    const line: string[] = []
    return Array.from({ length: size }, (_, n) => {
        const level = 1 + random(Math.min(line.length, 6) + 1)
        line.length = level - 1
        const made = page(`p${n}`, level, line.at(-1) ?? null)
        line.push(made.id)
        return made
    })
}

/** What a stem is, looked up line by line: slow, and plain to read. */
function naive(found: Page[], index: number) {
    const { level } = found[index] ?? { level: 1 }
    const rest = found.slice(index + 1)
    const goesOn = (at: number) => rest.find(other => other.level <= at)?.level === at
    return { last: !goesOn(level), through: Array.from({ length: level - 1 }, (_, n) => goesOn(n + 1)) }
}

test.each(Array.from({ length: 25 }, (_, n) => n))('stems go on to the next line of their level, tree %i', seed => {
    const found = tree(seed + 1, 3 * seed)
    const rows = filtered(found)
    expect(rows.map(({ last, through }) => ({ last, through }))).toEqual(found.map((_, n) => naive(found, n)))
})

test('a line is open where something below it was found', () => {
    const rows = filtered([page('a', 1, null), page('b', 2, 'a'), page('c', 1, null)])
    expect(rows.map(row => row.kind === 'page' && row.open)).toEqual([true, false, false])
    expect(rows.map(row => [row.position, row.siblings])).toEqual([
        [1, 3],
        [2, 3],
        [3, 3],
    ])
})

test('sorted by a column they stand one below the other, whatever their level', () => {
    const rows = flat([page('b', 2, 'a'), page('a', 1, null)])
    expect(rows.map(row => [row.level, row.last, row.through])).toEqual([
        [1, false, []],
        [1, true, []],
    ])
    expect(flat([])).toEqual([])
})
