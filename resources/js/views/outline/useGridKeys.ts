import type { KeyboardEvent } from 'react'
import { useChanges } from '../../app/changes'
import { useSite } from '../../app/site'
import { placeByKey } from './place'
import type { MakePlace, Row } from './rows'

type Input = {
    rows: Row[]
    at: number
    onActive: (row: string) => void
    onOpen: (id: string, open: boolean) => void
    onSheet: (page: string) => void
    onWrite: (page: string) => void
    onMake: (place: MakePlace) => void
    onEdit: (editing: { id: string; what: 'name' | 'slug' }) => void
    onMoveTo: (page: string) => void
    onFilter: () => void
    onCloseSheet: () => void
    compact: boolean
    onMark: (how: 'turn' | 'range', index: number) => void
    onPageAct: (act: 'duplicate' | 'put-in-bin') => void
    onMoveMarked: () => boolean
    onPick: () => void
}

/** Whether a key is meant for the rows: wherever in them the focus is, but for what is being written or chosen there. */
function isOfRows(event: KeyboardEvent) {
    const { target, currentTarget } = event
    if (target === currentTarget) return true
    return (
        target instanceof HTMLElement &&
        currentTarget.contains(target) &&
        target.closest(
            'input, textarea, select, [contenteditable=true], [role=menu], [role=dialog], [aria-haspopup]',
        ) === null
    )
}

/** The outline by keyboard: the ARIA tree grid's keys, and our own for what one does to pages. */
export function useGridKeys({
    rows,
    at,
    onActive,
    onOpen,
    onSheet,
    onWrite,
    onMake,
    onEdit,
    onMoveTo,
    onFilter,
    onCloseSheet,
    compact,
    onMark,
    onPageAct,
    onMoveMarked,
    onPick,
}: Input) {
    const { propose, busy } = useChanges()
    const { writes, may } = useSite()

    const go = (index: number) => {
        const row = rows[Math.max(0, Math.min(rows.length - 1, index))]
        if (row !== undefined) onActive(row.key)
    }
    const walk = (row: Row & { kind: 'page' }, key: string) => {
        const isParent = row.page.children > 0
        if (key === 'ArrowRight') {
            if (isParent && !row.open) onOpen(row.page.id, true)
            else if (row.open) go(at + 1)
        } else if (row.open) onOpen(row.page.id, false)
        else go(rows.findIndex(other => other.key === row.page.parent))
    }
    const move = (row: Row & { kind: 'page' }, key: string) => {
        const place = placeByKey(key, row, rows, at)
        // Until the last move is shown, "the one above" may not be what it seems.
        if (place === null || busy) return
        const into = 'last' in place ? place.last : null
        void propose({
            title: `Moving ${row.page.name}`,
            act: 'Move',
            batch: { changes: [{ kind: 'move', page: row.page.id, place }] },
            done: () => typeof into === 'string' && onOpen(into, true),
        })
    }

    return (event: KeyboardEvent) => {
        if (!isOfRows(event)) return
        const row = rows[at]
        const page = row?.kind === 'page' ? row : null
        if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'd' && page !== null && writes) {
            event.preventDefault()
            onPageAct('duplicate')
        }
        if (event.ctrlKey || event.metaKey) return
        const handled = act(event, page)
        if (handled) event.preventDefault()
    }

    function act(event: KeyboardEvent, row: (Row & { kind: 'page' }) | null): boolean {
        const { key } = event
        if (event.shiftKey && !event.altKey && (key === 'ArrowDown' || key === 'ArrowUp')) {
            const next = Math.max(0, Math.min(rows.length - 1, at + (key === 'ArrowDown' ? 1 : -1)))
            onMark('range', next)
            go(next)
            return true
        }
        if (event.altKey && /^Arrow/.test(key)) {
            if (row !== null && writes) move(row, key)
            return true
        }
        switch (key) {
            case 'ArrowDown':
                go(at + 1)
                return true
            case 'ArrowUp':
                go(at - 1)
                return true
            case 'PageDown':
                go(at + 15)
                return true
            case 'PageUp':
                go(at - 15)
                return true
            case 'Home':
                go(0)
                return true
            case 'End':
                go(rows.length - 1)
                return true
            case '/':
                onFilter()
                return true
            case 'Escape':
                // Without a sheet to close, the key is the ripple tray's.
                if (compact) onCloseSheet()
                return compact
        }
        if (row === null) {
            if (key.toLowerCase() === 'n' && writes) onMake({ parent: null, after: null })
            return key.toLowerCase() === 'n'
        }
        switch (key) {
            case 'ArrowRight':
            case 'ArrowLeft':
                walk(row, key)
                return true
            case 'Enter':
                onSheet(row.page.id)
                return true
            case ' ':
                onMark('turn', at)
                return true
        }
        if (!writes) return false
        switch (key) {
            case 'n':
                onMake({ parent: row.page.id, after: null })
                return true
            case 'N':
                onMake({ parent: row.page.parent, after: row.page.id })
                return true
            case 'e':
            case 'E':
                if (row.page.kind === 'page') onWrite(row.page.id)
                return true
            case 'm':
            case 'M':
                if (!onMoveMarked()) onMoveTo(row.page.id)
                return true
            case 'p':
            case 'P':
                if (may('menus')) onPick()
                return may('menus')
            case 'Delete':
                onPageAct('put-in-bin')
                return true
            case 'F2':
                onEdit({ id: row.page.id, what: event.shiftKey ? 'slug' : 'name' })
                return true
        }
        return false
    }
}
