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
import { Failure } from './Failure'
import type { HistorySearch } from './historySearch'
import type { AddressesSearch } from './addressesSearch'
import type { FilesSearch } from './filesSearch'
import type { FindabilitySearch } from './findabilitySearch'
import type { InterchangeSearch } from './interchangeSearch'
import type { MatchingSearch } from './matchingSearch'
import type { MenusSearch } from './menusSearch'
import type { OutlineSearch } from './outlineSearch'
import type { PlansSearch } from './plansSearch'
import type { ReplaceSearch } from './replaceSearch'
import type { PeopleSearch } from './peopleSearch'
import type { SiteSearch } from './siteSearch'
import type { RoomSearch } from './writeSearch'
import { Shell } from './Shell'
import { wayBack } from './wayBack'

const Missing = lazyRouteComponent(() => import('./Missing'), 'Missing')

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

const account = createRoute({
    getParentRoute: () => root,
    path: '/account/$token',
    component: lazyRouteComponent(() => import('../views/signin/AccountLink'), 'AccountLink'),
})

const ownAccount = createRoute({
    getParentRoute: () => root,
    path: '/account',
    beforeLoad: async ({ context, location }) => {
        await signedIn(context.queries, location.href)
    },
    component: lazyRouteComponent(() => import('../views/account/AccountView'), 'AccountView'),
})

const home = createRoute({
    getParentRoute: () => root,
    path: '/',
    beforeLoad: async ({ context, location }) => {
        const session = await signedIn(context.queries, location.href)
        const site = session.sites[0]
        if (session.lacksSecondStep) throw redirect({ to: '/account' })
        if (site === undefined) throw new Error('No site has been given to you yet. Ask an owner.')
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

/** Fields of an address that are texts; what is left out of them, or is none, is undefined. */
const texts = <Name extends string>(search: Record<string, unknown>, ...names: Name[]) =>
    Object.fromEntries(names.map(name => [name, text(search[name])])) as Record<Name, string | undefined>

/** One that is a choice of a few. */
const oneOf = <Value extends string>(value: unknown, ...choices: Value[]) => choices.find(choice => choice === value)

const outline = createRoute({
    getParentRoute: () => site,
    path: '/outline',
    validateSearch: (search): OutlineSearch => ({
        ...texts(search, 'open', 'row'),
        top: typeof search.top === 'number' && search.top > 0 ? search.top : undefined,
        page: text(search.page),
        tab: oneOf(search.tab, 'content', 'fields', 'search', 'details', 'history'),
        ...texts(search, 'filter', 'state', 'kind', 'layout', 'tag', 'marked', 'sort'),
        drawing: search.drawing === true ? true : undefined,
    }),
    component: lazyRouteComponent(() => import('./OutlinePage'), 'OutlinePage'),
})

const history = createRoute({
    getParentRoute: () => site,
    path: '/history',
    validateSearch: (search): HistorySearch => ({
        ...texts(search, 'by', 'kind', 'from', 'until', 'text', 'page', 'entry'),
    }),
    component: lazyRouteComponent(() => import('./HistoryPage'), 'HistoryPage'),
})

const addresses = createRoute({
    getParentRoute: () => site,
    path: '/addresses',
    validateSearch: (search): AddressesSearch => ({
        ...texts(search, 'text', 'kind', 'status'),
        hits: oneOf(search.hits, 'never'),
        row: text(search.row),
        as: oneOf(search.as, 'tree'),
    }),
    component: lazyRouteComponent(() => import('./AddressesPage'), 'AddressesPage'),
})

const matching = createRoute({
    getParentRoute: () => site,
    path: '/addresses/matching',
    validateSearch: (search): MatchingSearch => texts(search, 'list'),
    component: lazyRouteComponent(() => import('./MatchingPage'), 'MatchingPage'),
})

const findability = createRoute({
    getParentRoute: () => site,
    path: '/findability',
    validateSearch: (search): FindabilitySearch => ({
        part: oneOf(search.part, 'grid', 'findings', 'patterns', 'links', 'crawling', 'searches', 'drawing'),
        ...texts(search, 'check', 'text', 'state', 'layout', 'branch'),
    }),
    component: lazyRouteComponent(() => import('./FindabilityPage'), 'FindabilityPage'),
})

const files = createRoute({
    getParentRoute: () => site,
    path: '/files',
    validateSearch: (search): FilesSearch => ({
        ...texts(search, 'text', 'kind', 'use', 'sort', 'folder', 'file'),
        of: oneOf(search.of, 'pieces'),
        piece: text(search.piece),
    }),
    component: lazyRouteComponent(() => import('./FilesPage'), 'FilesPage'),
})

const replace = createRoute({
    getParentRoute: () => site,
    path: '/replace',
    validateSearch: (search): ReplaceSearch => ({
        ...texts(search, 'find', 'with', 'way'),
        case: search.case === true ? true : undefined,
        ...texts(search, 'parts', 'branch', 'pages'),
    }),
    component: lazyRouteComponent(() => import('./ReplacePage'), 'ReplacePage'),
})

const layouts = createRoute({
    getParentRoute: () => site,
    path: '/layouts',
    validateSearch: (search): SiteSearch => ({ layout: text(search.layout), group: text(search.group) }),
    component: lazyRouteComponent(() => import('./SitePage'), 'SitePage'),
})

const people = createRoute({
    getParentRoute: () => site,
    path: '/people',
    validateSearch: (search): PeopleSearch => ({
        show: oneOf(search.show, 'rights', 'visitors', 'log'),
        branch: text(search.branch),
    }),
    component: lazyRouteComponent(() => import('./PeoplePage'), 'PeoplePage'),
})

const settings = createRoute({
    getParentRoute: () => site,
    path: '/settings',
    component: lazyRouteComponent(() => import('../views/settings/SettingsView'), 'SettingsView'),
})

const bringIn = createRoute({
    getParentRoute: () => site,
    path: '/bring-in',
    validateSearch: (search): InterchangeSearch => ({ source: text(search.source) }),
    component: lazyRouteComponent(() => import('./BringInPage'), 'BringInPage'),
})

const plans = createRoute({
    getParentRoute: () => site,
    path: '/plans',
    validateSearch: (search): PlansSearch => texts(search, 'plan', 'against'),
    component: lazyRouteComponent(() => import('./PlansPage'), 'PlansPage'),
})

const takeOut = createRoute({
    getParentRoute: () => site,
    path: '/take-out',
    component: lazyRouteComponent(() => import('../views/interchange/TakeOutView'), 'TakeOutView'),
})

const write = createRoute({
    getParentRoute: () => site,
    path: '/write/$page',
    validateSearch: (search): RoomSearch => ({
        screen: oneOf(search.screen, 'tablet', 'phone'),
        full: search.full === true ? true : undefined,
    }),
    component: lazyRouteComponent(() => import('./WritePage'), 'WritePage'),
})

const menus = createRoute({
    getParentRoute: () => site,
    path: '/menus',
    validateSearch: (search): MenusSearch => ({
        ...texts(search, 'menu', 'entry', 'who', 'at'),
        width: oneOf(search.width, 'phone'),
    }),
    component: lazyRouteComponent(() => import('./MenusPage'), 'MenusPage'),
})

export function makeRouter(queries: QueryClient) {
    return createRouter({
        routeTree: root.addChildren([
            signIn,
            account,
            ownAccount,
            home,
            site.addChildren([
                outline,
                write,
                menus,
                addresses,
                matching,
                findability,
                files,
                layouts,
                people,
                settings,
                bringIn,
                takeOut,
                plans,
                replace,
                history,
            ]),
        ]),
        context: { queries },
        defaultPreload: false,
    })
}
