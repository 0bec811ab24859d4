import { lines, type Entry } from '../../resources/js/views/menus/arrangement'

export const page = (id: string, ...entries: Entry[]): Entry => ({ id, kind: 'page', page: `page-${id}`, entries })

/** A menu as its names in order, what stands under a name in brackets: `a(b c) d`. */
export function shape(entries: Entry[]): string {
    return entries
        .map(entry => entry.id + ((entry.entries ?? []).length > 0 ? `(${shape(entry.entries ?? [])})` : ''))
        .join(' ')
}

export const ids = (entries: Entry[]) => lines(entries).map(line => line.entry.id)

/** The same numbers in every run: a linear congruential generator. */
export function dice(seed: number) {
    let state = seed
    return (sides: number) => {
        state = (state * 1_103_515_245 + 12_345) % 2_147_483_648
        return Math.floor((state / 2_147_483_648) * sides)
    }
}

/** A menu of so many entries, put where the dice fall. */
export function thrown(size: number, throwing: (sides: number) => number): Entry[] {
    const top: Entry[] = []
    const all: Entry[] = []
    for (let n = 0; n < size; n++) {
        const entry = page(`e${n}`)
        const under = throwing(3) === 0 ? undefined : all[throwing(all.length + 1)]
        ;(under?.entries ?? top).push(entry)
        all.push(entry)
    }
    return top
}
