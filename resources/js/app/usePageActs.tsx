import { useMemo } from 'react'
import type { Schemas } from '../api/client'
import { ulid } from '../api/ulid'
import { count } from '../ui/count'
import type { Change } from './batches'
import { useChanges } from './changes'

export type ActedOn = {
    id: string
    name: string
    state: Schemas['State']
    listed: boolean
    kept: boolean
    start: boolean
    kind: Schemas['PageKind']
    leftOut: boolean
    children: number
    edited: boolean
}
export type PageAct =
    | 'go-live'
    | 'go-live-branch'
    | 'publish'
    | 'take-offline'
    | 'take-offline-branch'
    | 'duplicate'
    | 'duplicate-branch'
    | 'send-for-review'
    | 'list'
    | 'unlist'
    | 'keep'
    | 'let-go'
    | 'set-start-page'
    | 'leave-out'
    | 'take-in'
    | 'put-in-bin'

type Words = { does: string; doing: (what: string) => string }
const words: Record<PageAct, Words> = {
    'go-live': { does: 'Go live', doing: what => `${what} goes live` },
    'go-live-branch': { does: 'Go live with all below', doing: what => `${what} goes live with all below` },
    publish: { does: 'Publish edits', doing: what => `Publishing the edits of ${what}` },
    'take-offline': { does: 'Take offline', doing: what => `Taking ${what} offline` },
    'take-offline-branch': { does: 'Take offline with all below', doing: what => `Taking ${what} offline with all below` },
    duplicate: { does: 'Duplicate', doing: what => `Duplicating ${what}` },
    'duplicate-branch': { does: 'Duplicate with all below', doing: what => `Duplicating ${what} with all below` },
    'send-for-review': { does: 'Send for review', doing: what => `Sending ${what} for review` },
    list: { does: 'List', doing: what => `Listing ${what}` },
    unlist: { does: 'Unlist', doing: what => `Unlisting ${what}` },
    keep: { does: 'Mark as kept', doing: what => `Marking ${what} as kept` },
    'let-go': { does: 'No longer kept', doing: what => `${what} is no longer kept` },
    'set-start-page': { does: 'Make it the start page', doing: what => `${what} becomes the start page` },
    'leave-out': { does: 'Leave out of addresses below', doing: what => `Leaving ${what} out of the addresses below` },
    'take-in': { does: 'Take into addresses below', doing: what => `Taking ${what} into the addresses below` },
    'put-in-bin': { does: 'Put in bin', doing: what => `Putting ${what} in the bin` },
}

export const actWords = (act: PageAct) => words[act].does

/** What makes sense of a page as it is, for somebody of this role. */
export function actsOn(page: ActedOn, role: Schemas['Session']['sites'][number]['role']): PageAct[] {
    const manages = role === 'owner' || role === 'manager'
    const below = page.children > 0
    const all: [PageAct, boolean][] = [
        ['go-live', manages && page.state !== 'live'],
        ['go-live-branch', manages && below],
        ['publish', manages && page.state === 'live' && page.edited],
        ['take-offline', manages && page.state === 'live'],
        ['take-offline-branch', manages && below && page.state === 'live'],
        ['send-for-review', page.state === 'draft' || page.state === 'offline'],
        ['duplicate', true],
        ['duplicate-branch', below],
        [page.listed ? 'unlist' : 'list', manages],
        [page.leftOut ? 'take-in' : 'leave-out', manages && page.kind === 'section'],
        ['set-start-page', manages && page.state === 'live' && !page.start && page.kind === 'page'],
        [page.kept ? 'let-go' : 'keep', role === 'owner'],
        ['put-in-bin', !page.start],
    ]
    return all.flatMap(([act, fits]) => (fits ? [act] : []))
}

/** Proposes an act on one page or several. */
export function usePageActs() {
    const { propose } = useChanges()
    return useMemo(() => {
        const change = (act: PageAct, pages: string[]): Change => {
            const kind = act.replace('-branch', '') as Change['kind']
            const whom = pages.length === 1 ? { page: pages[0] ?? '' } : { pages }
            return {
                kind,
                ...whom,
                ...(act.endsWith('-branch') ? { reach: 'branch' as const } : {}),
                ...(kind === 'duplicate' ? { copy: ulid() } : {}),
            }
        }
        return {
            act: (act: PageAct, pages: { id: string; name: string }[], done?: () => void) => {
                const what = pages.length === 1 ? (pages[0]?.name ?? '') : count(pages.length, 'page')
                return propose({
                    title: words[act].doing(what),
                    act: words[act].does,
                    batch: {
                        changes: [
                            change(
                                act,
                                pages.map(page => page.id),
                            ),
                        ],
                    },
                    done,
                })
            },
        }
    }, [propose])
}
