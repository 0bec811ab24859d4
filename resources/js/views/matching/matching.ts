import type { Schemas } from '../../api/client'

export type Row = Schemas['MatchRow']
export type MatchPage = Schemas['MatchPage']
/** What somebody says becomes of a row; null takes it back. */
export type Choice = { choice: 'page'; page: MatchPage } | { choice: 'gone' | 'left' } | null

export type Shown = {
    text: string
    only: 'all' | 'accepted' | 'open' | 'none' | 'changed' | 'nothing'
    order: 'surest' | 'unsure' | 'asked' | 'address' | 'list'
}

export const orders: [Shown['order'], string][] = [
    ['surest', 'The surest first'],
    ['unsure', 'The least sure first'],
    ['asked', 'The most asked for first'],
    ['address', 'By address'],
    ['list', 'As in the list'],
]

/** Whether an address is nobody's yet, and can be one of this site. */
export const isFree = (row: Row) => row.address !== null && row.held === null

/** The page that it becomes, as far as anybody can say. */
export const becomes = (row: Row) => (row.chosen?.choice === 'page' ? row.chosen.page : row.page)

/** Whether it is likelier that nothing is there any more than that it became the page that is likeliest. */
export const hasProbablyNone = (row: Row) => row.chosen === null && row.none >= 0.5 && row.none > row.confidence

/** Whether a row is made: chosen by hand, or sure enough. */
export function accepted(row: Row, threshold: number) {
    if (!isFree(row)) return false
    if (row.chosen === null) return row.page !== null && row.confidence * 100 >= threshold
    return row.chosen.choice === 'gone' || (row.chosen.choice === 'page' && row.chosen.page !== null)
}

/** What ticking a row, or taking the tick away, says of it: nothing, where the threshold says the same. */
export function ticked(row: Row, isOn: boolean, threshold: number): Choice {
    const page = becomes(row)
    if (!isOn) return row.page !== null && row.confidence * 100 >= threshold ? { choice: 'left' } : null
    return page === null ? null : { choice: 'page', page }
}

export function shownRows(rows: Row[], { text, only, order }: Shown, threshold: number) {
    const looked = text.trim().toLowerCase()
    const found = rows.filter(row => {
        const isOn = accepted(row, threshold)
        const isOf =
            only === 'all' ||
            (only === 'accepted'
                ? isOn
                : only === 'open'
                  ? !isOn && isFree(row)
                  : only === 'changed'
                    ? row.isTaught
                    : only === 'nothing'
                      ? hasProbablyNone(row)
                      : becomes(row) === null)
        return (
            isOf &&
            (looked === '' ||
                [row.old, row.title, row.heading, becomes(row)?.name ?? '', becomes(row)?.address ?? ''].some(part =>
                    part.toLowerCase().includes(looked),
                ))
        )
    })
    return order === 'list'
        ? found
        : found.sort((a, b) =>
              order === 'address'
                  ? a.old.localeCompare(b.old)
                  : order === 'asked'
                    ? b.requests - a.requests
                    : order === 'unsure'
                      ? a.confidence - b.confidence
                      : // What is answered already is not to be worked on.
                        Number(isFree(b)) - Number(isFree(a)) || b.confidence - a.confidence,
          )
}

/** Thresholds that the curve is drawn for, in per cent. */
const THRESHOLDS = Array.from({ length: 26 }, (_, n) => 50 + 2 * n)

export type Expected = { threshold: number; rows: number; wrong: number; requests: number }

/** What would be accepted from a threshold on: how many rows, how many of them are wrong if each is right as often as it says, and their requests. */
export function expected(rows: Row[], threshold: number): Expected {
    const taken = rows.filter(row => accepted(row, threshold))
    const sum = (of: (row: Row) => number) => taken.reduce((all, row) => all + of(row), 0)
    return {
        threshold,
        rows: taken.length,
        wrong: sum(row => (row.chosen === null ? 1 - row.confidence : 0)),
        requests: sum(row => row.requests),
    }
}

export const curve = (rows: Row[]): Expected[] => THRESHOLDS.map(threshold => expected(rows, threshold))

/** Rows as they are known now: those that changed take the place of what they were. */
export function merged(known: Schemas['MatchList'], news: Schemas['MatchList']): Schemas['MatchList'] {
    const changed = new Map(news.rows.map(row => [row.old, row]))
    return {
        list: news.list,
        rows: changed.size === 0 ? known.rows : known.rows.map(row => changed.get(row.old) ?? row),
    }
}

/** The list with what somebody just chose, before anybody has answered. */
export function withChosen(known: Schemas['MatchList'], rows: [Row, Choice][], by: string): Schemas['MatchList'] {
    const chosen = new Map(rows.map(([row, choice]) => [row.old, choice]))
    const at = new Date().toISOString()
    return {
        ...known,
        rows: known.rows.map(row => {
            const choice = chosen.get(row.old)
            if (choice === undefined) return row
            const page = choice?.choice === 'page' ? choice.page : null
            return { ...row, isTaught: false, chosen: choice === null ? null : { choice: choice.choice, page, by, at } }
        }),
    }
}
