import type { Schemas } from '../../api/client'

export type Matched = Schemas['MatchedAddress']
export type RowChoice = { page?: { id: string; name: string }; gone?: boolean; isOn?: boolean }
/** What somebody chose, by old address. */
export type Choices = Record<string, RowChoice>
export type Shown = {
    text: string
    only: 'all' | 'accepted' | 'open' | 'none'
    order: 'surest' | 'unsure' | 'asked' | 'address' | 'list'
    threshold: number
}

export const orders: [Shown['order'], string][] = [
    ['surest', 'The surest first'],
    ['unsure', 'The least sure first'],
    ['asked', 'The most asked for first'],
    ['address', 'By address'],
    ['list', 'As in the list'],
]

/** Whether an address is nobody's yet, and can be one of this site. */
export const isFree = (row: Matched) => row.address !== null && row.held === null

/** Whether a row is made: chosen by hand, or sure enough. */
export function accepted(row: Matched, choices: Choices, threshold: number) {
    const { page, gone, isOn } = choices[row.old] ?? {}
    if (!isFree(row)) return false
    return (
        gone === true ||
        ((page !== undefined || row.page !== null) &&
            (isOn ?? (page !== undefined || row.confidence * 100 >= threshold)))
    )
}

export function shownRows(rows: Matched[], choices: Choices, { text, only, order, threshold }: Shown) {
    const looked = text.trim().toLowerCase()
    const found = rows.filter(row => {
        const isOn = accepted(row, choices, threshold)
        const isOf =
            only === 'all' ||
            (only === 'accepted'
                ? isOn
                : only === 'open'
                  ? !isOn && isFree(row)
                  : (choices[row.old]?.page ?? row.page) === null)
        return (
            isOf &&
            (looked === '' ||
                [row.old, row.title, row.page?.name ?? '', row.page?.address ?? ''].some(part =>
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
                      : b.confidence - a.confidence,
          )
}

/** Thresholds that the curve is drawn for, in per cent. */
const THRESHOLDS = Array.from({ length: 26 }, (_, n) => 50 + 2 * n)

export type Expected = { threshold: number; rows: number; wrong: number; requests: number }

/** What would be accepted from a threshold on: how many rows, how many of them are wrong if each is right as often as it says, and their requests. */
export function expected(rows: Matched[], threshold: number): Expected {
    const taken = rows.filter(row => accepted(row, {}, threshold))
    const sum = (of: (row: Matched) => number) => taken.reduce((all, row) => all + of(row), 0)
    return { threshold, rows: taken.length, wrong: sum(row => 1 - row.confidence), requests: sum(row => row.requests) }
}

export const curve = (rows: Matched[]): Expected[] => THRESHOLDS.map(threshold => expected(rows, threshold))

/** Rows that somebody accepted or chose a page for, one by one: what they teach holds for the whole list. */
export const settledOf = (choices: Choices, rows: Matched[]) => {
    const proposed = new Map(rows.map(row => [row.old, row.page?.id]))
    return Object.entries(choices).flatMap(([old, { page, gone, isOn }]) => {
        const became = page?.id ?? (isOn === true ? proposed.get(old) : undefined)
        return became === undefined || gone === true ? [] : [{ old, page: became }]
    })
}

/** How far a confidence has to move to be worth a mark. */
const NOTICED = 0.1

/** Rows that became another page, or surer or less sure, since others were settled. */
export function changedBy(before: Matched[], after: Matched[], choices: Choices): ReadonlySet<string> {
    const was = new Map(before.map(row => [row.old, row]))
    const changed = after.filter(row => {
        const old = was.get(row.old)
        return (
            old !== undefined &&
            choices[row.old]?.page === undefined &&
            (old.page?.id !== row.page?.id || Math.abs(old.confidence - row.confidence) >= NOTICED)
        )
    })
    return new Set(changed.map(row => row.old))
}
