import { useState } from 'react'

export type Column = 'address' | 'state' | 'reach' | 'search' | 'picks' | 'layout' | 'score' | 'by' | 'changed'

type Facts = {
    key: Column
    name: string
    /** Width at first, in px; the address shares what is left with the name. */
    width: number
    isFirst: boolean
    sorts: boolean
    /** What it says, for who meets it the first time. */
    says?: string
}

/** Every column besides the name, in their order. */
export const columns: Facts[] = [
    { key: 'address', name: 'Address', width: 320, isFirst: true, sorts: true },
    { key: 'state', name: 'State', width: 124, isFirst: true, sorts: true },
    {
        key: 'reach',
        name: 'Reach',
        width: 126,
        isFirst: true,
        sorts: true,
        says: 'How many clicks from the start page, and how many pages link here in their content.',
    },
    {
        key: 'search',
        name: 'Search',
        width: 52,
        isFirst: true,
        sorts: false,
        says: 'Title, description and index for search engines: full is set, half falls back to something, outlined is missing.',
    },
    {
        key: 'picks',
        name: 'Picks',
        width: 58,
        isFirst: true,
        sorts: false,
        says: 'Lists chosen by hand that show the page.',
    },
    { key: 'layout', name: 'Layout', width: 110, isFirst: false, sorts: true },
    { key: 'score', name: 'Score', width: 58, isFirst: false, sorts: true, says: 'Findability of the page, of 100.' },
    { key: 'by', name: 'Changed by', width: 130, isFirst: false, sorts: true },
    { key: 'changed', name: 'Changed', width: 74, isFirst: true, sorts: true },
]

/** Narrowest and widest that a column is made. */
export const [NARROWEST, WIDEST] = [44, 640]

const atFirst = () => ({ shown: columns.filter(each => each.isFirst).map(each => each.key), widths: {} })

const KEY = 'heronstem.columns'
type Kept = { shown: Column[]; widths: Partial<Record<Column, number>> }

function kept(): Kept {
    try {
        const { shown, widths } = JSON.parse(localStorage.getItem(KEY) ?? '') as Kept
        return { shown: columns.map(each => each.key).filter(key => shown.includes(key)), widths }
    } catch {
        return atFirst()
    }
}

/** The columns that somebody has chosen, and how wide: kept in this browser. */
export function useColumns(compact: boolean) {
    const [{ shown, widths }, set] = useState(kept)
    const keep = (now: Kept) => {
        set(now)
        localStorage.setItem(KEY, JSON.stringify(now))
    }
    const seen = columns.filter(each =>
        compact ? each.key === 'address' || each.key === 'state' : shown.includes(each.key),
    )
    const width = (key: Column) => widths[key] ?? columns.find(each => each.key === key)?.width ?? NARROWEST
    const template = [
        compact ? 'minmax(150px,1fr)' : `minmax(${seen.length > 6 ? 190 : 250}px,1.15fr)`,
        ...seen.map(({ key }) =>
            compact
                ? key === 'address'
                    ? 'minmax(150px,1.1fr)'
                    : '110px'
                : key === 'address' && widths.address === undefined
                  ? `minmax(${seen.length > 6 ? 140 : 220}px,1.2fr)`
                  : // Narrower only where there is no room.
                    `minmax(${NARROWEST}px,${width(key)}px)`,
        ),
    ].join(' ')
    return {
        seen,
        shown,
        template,
        width,
        turn: (key: Column) =>
            keep({ shown: shown.includes(key) ? shown.filter(each => each !== key) : [...shown, key], widths }),
        resize: (key: Column, px: number) =>
            keep({ shown, widths: { ...widths, [key]: Math.round(Math.min(WIDEST, Math.max(NARROWEST, px))) } }),
        reset: () => keep(atFirst()),
    }
}
export type Columns = ReturnType<typeof useColumns>
