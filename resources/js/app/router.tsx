import type { QueryClient } from '@tanstack/react-query'
import {
    createRootRouteWithContext,
    createRoute,
    createRouter,
    lazyRouteComponent,
    Outlet,
    redirect,
} from '@tanstack/react-router'
import type { Schemas } from '../api/client'
import { sessionQuery } from '../api/queries'
import { Failure, Missing } from './Failure'
import type { HistorySearch } from './historySearch'
import type { AddressesSearch } from './addressesSearch'
import type { FilesSearch } from './filesSearch'
import type { FindabilitySearch } from './findabilitySearch'
import type { MenusSearch } from './menusSearch'
import type { OutlineSearch } from './outlineSearch'
import type { ReplaceSearch } from './replaceSearch'
import type { SiteSearch } from './siteSearch'
import type { RoomSearch } from './writeSearch'
import { Shell } from './Shell'
import { wayBack } from './wayBack'

const root = createRootRouteWithContext<{ queries: QueryClient }>()({
    component: Outlet,
    notFoundComponent: Missing,
    errorComponent: Failure,
})

async function signedIn(queries: QueryClient, href: string): Promise<Schemas['Session']> {
    const session = await queries.ensureQueryData(sessionQuery)
    if (session === null) throw redirect({ to: '/sign-in', search: href === '/' ? {} : { to: href } })
    return session
}

const signIn = createRoute({
    getParentRoute: () => root,
    path: '/sign-in',
    // Said even when it is nothing: what a route leaves out is taken from the address as it stands.
    validateSearch: (search): { to?: string | undefined } => ({ to: wayBack(search.to) }),
    beforeLoad: async ({ context, search }) => {
        if ((await context.queries.ensureQueryData(sessionQuery)) !== null) throw redirect({ href: search.to ?? '/' })
    },
    component: lazyRouteComponent(() => import('../views/signin/SignIn'), 'SignIn'),
})

const home = createRoute({
    getParentRoute: () => root,
    path: '/',
    beforeLoad: async ({ context, location }) => {
        const session = await signedIn(context.queries, location.href)
        const site = session.sites[0]
        if (site === undefined)
            throw new Error(
                'You are signed in, and no site has been given to you yet. Ask the owner of the installation.',
            )
        throw redirect({ to: '/s/$site/outline', params: { site: site.key } })
    },
})

const site = createRoute({
    getParentRoute: () => root,
    path: '/s/$site',
    beforeLoad: async ({ context, location, params }) => {
        const session = await signedIn(context.queries, location.href)
        if (!session.sites.some(each => each.key === params.site)) throw redirect({ to: '/' })
    },
    component: Shell,
})

const text = (value: unknown) => (typeof value === 'string' && value !== '' ? value : undefined)

const outline = createRoute({
    getParentRoute: () => site,
    path: '/outline',
    validateSearch: (search): OutlineSearch => ({
        open: text(search.open),
        row: text(search.row),
        top: typeof search.top === 'number' && search.top > 0 ? search.top : undefined,
        page: text(search.page),
        tab:
            search.tab === 'content' ||
            search.tab === 'fields' ||
            search.tab === 'search' ||
            search.tab === 'details' ||
            search.tab === 'history'
                ? search.tab
                : undefined,
        filter: text(search.filter),
        state: text(search.state),
        kind: text(search.kind),
        layout: text(search.layout),
        tag: text(search.tag),
        marked: text(search.marked),
        drawing: search.drawing === true ? true : undefined,
    }),
    component: lazyRouteComponent(() => import('./OutlinePage'), 'OutlinePage'),
})

const history = createRoute({
    getParentRoute: () => site,
    path: '/history',
    validateSearch: (search): HistorySearch => ({
        by: text(search.by),
        kind: text(search.kind),
        from: text(search.from),
        until: text(search.until),
        text: text(search.text),
        page: text(search.page),
        entry: text(search.entry),
    }),
    component: lazyRouteComponent(() => import('./HistoryPage'), 'HistoryPage'),
})

const addresses = createRoute({
    getParentRoute: () => site,
    path: '/addresses',
    validateSearch: (search): AddressesSearch => ({
        text: text(search.text),
        kind: text(search.kind),
        status: text(search.status),
        hits: search.hits === 'never' ? 'never' : undefined,
        row: text(search.row),
        as: search.as === 'tree' ? 'tree' : undefined,
    }),
    component: lazyRouteComponent(() => import('./AddressesPage'), 'AddressesPage'),
})

const findability = createRoute({
    getParentRoute: () => site,
    path: '/findability',
    validateSearch: (search): FindabilitySearch => ({
        part:
            search.part === 'grid' ||
            search.part === 'findings' ||
            search.part === 'patterns' ||
            search.part === 'links' ||
            search.part === 'crawling' ||
            search.part === 'searches' ||
            search.part === 'drawing'
                ? search.part
                : undefined,
        check: text(search.check),
        text: text(search.text),
        state: text(search.state),
        layout: text(search.layout),
        branch: text(search.branch),
    }),
    component: lazyRouteComponent(() => import('./FindabilityPage'), 'FindabilityPage'),
})

const files = createRoute({
    getParentRoute: () => site,
    path: '/files',
    validateSearch: (search): FilesSearch => ({
        text: text(search.text),
        kind: text(search.kind),
        use: text(search.use),
        sort: text(search.sort),
        folder: text(search.folder),
        file: text(search.file),
        of: search.of === 'pieces' ? 'pieces' : undefined,
        piece: text(search.piece),
    }),
    component: lazyRouteComponent(() => import('./FilesPage'), 'FilesPage'),
})

const replace = createRoute({
    getParentRoute: () => site,
    path: '/replace',
    validateSearch: (search): ReplaceSearch => ({
        find: text(search.find),
        with: text(search.with),
        way: text(search.way),
        case: search.case === true ? true : undefined,
        parts: text(search.parts),
        branch: text(search.branch),
        pages: text(search.pages),
    }),
    component: lazyRouteComponent(() => import('./ReplacePage'), 'ReplacePage'),
})

const layouts = createRoute({
    getParentRoute: () => site,
    path: '/layouts',
    validateSearch: (search): SiteSearch => ({ layout: text(search.layout), group: text(search.group) }),
    component: lazyRouteComponent(() => import('./SitePage'), 'SitePage'),
})

const write = createRoute({
    getParentRoute: () => site,
    path: '/write/$page',
    validateSearch: (search): RoomSearch => ({
        screen: search.screen === 'tablet' || search.screen === 'phone' ? search.screen : undefined,
        full: search.full === true ? true : undefined,
    }),
    component: lazyRouteComponent(() => import('./WritePage'), 'WritePage'),
})

const menus = createRoute({
    getParentRoute: () => site,
    path: '/menus',
    validateSearch: (search): MenusSearch => ({
        menu: text(search.menu),
        entry: text(search.entry),
        who: text(search.who),
        at: text(search.at),
        width: search.width === 'phone' ? 'phone' : undefined,
    }),
    component: lazyRouteComponent(() => import('./MenusPage'), 'MenusPage'),
})

export function makeRouter(queries: QueryClient) {
    return createRouter({
        routeTree: root.addChildren([
            signIn,
            home,
            site.addChildren([outline, write, menus, addresses, findability, files, layouts, replace, history]),
        ]),
        context: { queries },
        defaultPreload: false,
    })
}
