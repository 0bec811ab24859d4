import type { Schemas } from '../api/client'
import { ulid } from '../api/ulid'
import { count } from '../ui/count'
import type { Change } from './batches'
import type { Right } from './site'

export type ActedOn = {
    id: string
    name: string
    state: Schemas['State']
    listed: boolean
    isProtected: boolean
    start: boolean
    kind: Schemas['PageKind']
    leftOut: boolean
    children: number
    edited: boolean
}
export type Named = { id: string; name: string }
type Whom = Schemas['OnePageOrSeveral']
type Act = { does: string; doing: (what: string) => string; change: (whom: Whom, first: string) => Change }

/** What is done to pages from a menu or a bar: as it is called, as the ripple tray announces it, and the change it makes. */
const acts = {
    'go-live': { does: 'Go live', doing: what => `${what} goes live`, change: whom => ({ kind: 'go-live', ...whom }) },
    'go-live-branch': {
        does: 'Go live with all below',
        doing: what => `${what} goes live with all below`,
        change: whom => ({ kind: 'go-live', ...whom, scope: 'branch' }),
    },
    publish: {
        does: 'Publish edits',
        doing: what => `Publishing the edits of ${what}`,
        change: whom => ({ kind: 'publish', ...whom }),
    },
    'take-offline': {
        does: 'Take offline',
        doing: what => `Taking ${what} offline`,
        change: whom => ({ kind: 'take-offline', ...whom }),
    },
    'take-offline-branch': {
        does: 'Take offline with all below',
        doing: what => `Taking ${what} offline with all below`,
        change: whom => ({ kind: 'take-offline', ...whom, scope: 'branch' }),
    },
    duplicate: {
        does: 'Duplicate…',
        doing: what => `Duplicating ${what}`,
        change: whom => ({ kind: 'duplicate', ...whom, copy: ulid() }),
    },
    'send-for-review': {
        does: 'Send for review',
        doing: what => `Sending ${what} for review`,
        change: whom => ({ kind: 'send-for-review', ...whom }),
    },
    'list-page': { does: 'List', doing: what => `Listing ${what}`, change: whom => ({ kind: 'list-page', ...whom }) },
    'unlist-page': {
        does: 'Unlist',
        doing: what => `Unlisting ${what}`,
        change: whom => ({ kind: 'unlist-page', ...whom }),
    },
    protect: { does: 'Protect', doing: what => `Protecting ${what}`, change: whom => ({ kind: 'protect', ...whom }) },
    unprotect: {
        does: 'Remove protection',
        doing: what => `Removing the protection of ${what}`,
        change: whom => ({ kind: 'unprotect', ...whom }),
    },
    'set-start-page': {
        does: 'Make it the start page',
        doing: what => `${what} becomes the start page`,
        change: (_, first) => ({ kind: 'set-start-page', page: first }),
    },
    'leave-out-of-addresses': {
        does: 'Leave out of addresses below',
        doing: what => `Leaving ${what} out of the addresses below`,
        change: whom => ({ kind: 'leave-out-of-addresses', ...whom }),
    },
    'include-in-addresses': {
        does: 'Include in addresses below',
        doing: what => `Including ${what} in the addresses below`,
        change: whom => ({ kind: 'include-in-addresses', ...whom }),
    },
    'put-in-bin': {
        does: 'Put in bin',
        doing: what => `Putting ${what} in the bin`,
        change: whom => ({ kind: 'put-in-bin', ...whom }),
    },
} satisfies Record<string, Act>
export type PageAct = keyof typeof acts

export const actLabel = (act: PageAct) => acts[act].does

/** What makes sense of a page as it is, for somebody who may do so much there. */
export function actsOn(page: ActedOn, may: (right: Right) => boolean, isOwner: boolean): PageAct[] {
    const below = page.children > 0
    const isLive = page.state === 'live'
    const all: [PageAct, boolean][] = [
        ['go-live', may('publish') && !isLive],
        ['go-live-branch', may('publish') && below],
        ['publish', may('publish') && isLive && page.edited],
        ['take-offline', may('retire') && isLive],
        ['take-offline-branch', may('retire') && below && isLive],
        ['send-for-review', may('write') && (page.state === 'draft' || page.state === 'offline')],
        ['duplicate', may('structure')],
        [page.listed ? 'unlist-page' : 'list-page', may('structure') && (may('publish') || !isLive)],
        [
            page.leftOut ? 'include-in-addresses' : 'leave-out-of-addresses',
            may('structure') && (may('addresses') || !isLive) && page.kind === 'section',
        ],
        ['set-start-page', may('settings') && isLive && !page.start && page.kind === 'page'],
        [page.isProtected ? 'unprotect' : 'protect', isOwner],
        ['put-in-bin', may(isLive ? 'retire' : 'structure') && !page.start],
    ]
    return all.flatMap(([act, fits]) => (fits ? [act] : []))
}

/** One page, or several, as a change names them. */
export const whomOf = (pages: { id: string }[]): Whom =>
    pages.length === 1 ? { page: pages[0]?.id ?? '' } : { pages: pages.map(page => page.id) }

/** What is proposed to do it to one page or several. */
export function proposalOf(act: PageAct, [first, ...others]: [Named, ...Named[]]) {
    const { does, doing, change }: Act = acts[act]
    return {
        title: doing(others.length === 0 ? first.name : count(others.length + 1, 'page')),
        act: does.replace('…', ''),
        batch: { changes: [change(whomOf([first, ...others]), first.id)] },
    }
}
