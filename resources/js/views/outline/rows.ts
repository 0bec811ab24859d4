import type { OutlineRow } from '../../api/rows'

export type Page = OutlineRow

/** Children of one page as far as they are known; a hole is a row not fetched yet. */
export type Branch = { total: number; rows: (Page | undefined)[] }

type Placed = { level: number; last: boolean; through: boolean[]; position: number; siblings: number }

/** One line of the outline: a page, a row still to be fetched, or the field in which a new page is named. */
export type Row =
    | ({ kind: 'page'; key: string; page: Page; open: boolean } & Placed)
    | ({ kind: 'hole'; key: string; parent: string | null; index: number } & Placed)
    | ({ kind: 'make'; key: string; place: MakePlace } & Placed)

export type MakePlace = { parent: string | null; after: string | null }

/** Rows fetched in one piece. */
export const CHUNK = 100

/** Height of a row, px. */
export const ROW = 32

/** The open part of the tree as lines, top to bottom. */
export function flatten(branches: Map<string | null, Branch>, open: Set<string>, making: MakePlace | null): Row[] {
    const rows: Row[] = []
    const walk = (parent: string | null, level: number, through: boolean[]) => {
        const branch = branches.get(parent)
        const total = branch?.total ?? 0
        const makesHere = making !== null && making.parent === parent
        const siblings = total + (makesHere ? 1 : 0)
        const make = (position: number): Row => ({
            kind: 'make',
            key: 'make',
            place: making ?? { parent, after: null },
            level,
            last: position === siblings,
            through,
            position,
            siblings,
        })
        let shift = 0
        for (let index = 0; index < total; index++) {
            const page = branch?.rows[index]
            const position = index + 1 + shift
            const last = position === siblings
            if (page === undefined) {
                rows.push({
                    kind: 'hole',
                    key: `${parent ?? 'top'}:${index}`,
                    parent,
                    index,
                    level,
                    last,
                    through,
                    position,
                    siblings,
                })
                continue
            }
            const isOpen = open.has(page.id) && (page.children > 0 || making?.parent === page.id)
            rows.push({ kind: 'page', key: page.id, page, open: isOpen, level, last, through, position, siblings })
            if (isOpen) walk(page.id, level + 1, [...through, !last])
            if (makesHere && making.after === page.id) {
                shift = 1
                rows.push(make(position + 1))
            }
        }
        if (makesHere && shift === 0) rows.push(make(siblings))
    }
    walk(null, 1, [])
    return rows
}

/** What a filter found, sorted by a column: one below the other, wherever in the tree. */
export const flat = (found: Page[]): Row[] =>
    found.map((page, index) => ({
        kind: 'page',
        key: page.id,
        page,
        open: false,
        level: 1,
        last: index === found.length - 1,
        through: [],
        position: index + 1,
        siblings: found.length,
    }))

/** What a filter found, as lines: already in tree order, ancestors among them. */
export function filtered(found: Page[]): Row[] {
    const parents = new Set(found.map(page => page.parent))
    // From the bottom up, by level: whether a line of that level comes before one that is further out.
    const goesOn: boolean[] = []
    const stems = found.toReversed().map(({ level }) => {
        const stem = Array.from({ length: level }, (_, n) => goesOn[n] ?? false)
        goesOn.length = level - 1
        for (let n = 0; n < level; n++) goesOn[n] = n === level - 1 || (stem[n] ?? false)
        return stem
    })
    return found.map((page, index) => {
        const stem = stems[found.length - 1 - index] ?? []
        return {
            kind: 'page',
            key: page.id,
            page,
            open: parents.has(page.id),
            level: page.level,
            last: stem[page.level - 1] !== true,
            through: stem.slice(0, page.level - 1),
            position: index + 1,
            siblings: found.length,
        }
    })
}
