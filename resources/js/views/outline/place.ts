import type { Schemas } from '../../api/client'
import type { Page, Row } from './rows'

export type Spot = 'before' | 'inside' | 'after'

/** The place of a change, as the API writes it. */
export function placeAt(page: { id: string }, spot: Spot): Schemas['Place'] {
    switch (spot) {
        case 'inside':
            return { last: page.id }
        case 'before':
            return { before: page.id }
        case 'after':
            return { after: page.id }
    }
}

/** Where Alt + an arrow takes a page: among its siblings, under the one above, or out. */
export function placeByKey(key: string, row: Row & { kind: 'page' }, rows: Row[], at: number): Schemas['Place'] | null {
    const siblings = rows.filter(
        (other): other is Row & { kind: 'page' } => other.kind === 'page' && other.page.parent === row.page.parent,
    )
    const index = siblings.findIndex(other => other.page.id === row.page.id)
    const above = siblings[index - 1]?.page
    if (key === 'ArrowUp') return above === undefined ? null : { before: above.id }
    if (key === 'ArrowDown') {
        const below = siblings[index + 1]?.page
        return below === undefined ? null : { after: below.id }
    }
    if (key === 'ArrowRight') return above === undefined ? null : { last: above.id }
    const parent = rows.slice(0, at).findLast(other => other.kind === 'page' && other.page.id === row.page.parent)
    return parent?.kind === 'page' ? { after: parent.page.id } : null
}

const spotWords = { before: 'before', inside: 'inside', after: 'after' }

export function placeWords(page: Page, spot: Spot) {
    return `${spotWords[spot]} ${page.name}`
}
