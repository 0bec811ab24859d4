import { useQuery } from '@tanstack/react-query'
import { useNavigate, useRouterState } from '@tanstack/react-router'
import { pageQuery } from '../api/queries'
import { ask } from './asked'
import { useChanges } from './changes'
import { actLabel, actsOn, type PageAct } from './pageActs'
import { mayOn, useSite } from './site'
import { usePageActs } from './usePageActs'

export type Command = {
    name: string
    /** Other words that somebody may look for it by. */
    also: string
    keys?: string
    /** The page it is done to. */
    of?: string
    run: () => void
}

/** Words besides those on the screen, by which acts are looked for. */
const alsoCalled: Partial<Record<PageAct, string>> = {
    'put-in-bin': 'retire delete remove archive trash',
    'take-offline': 'unpublish hide withdraw',
    'go-live': 'publish put online release',
    'go-live-branch': 'publish put online release',
    publish: 'publish changes update',
    duplicate: 'copy clone',
    'unlist-page': 'hide from menus',
    'list-page': 'show in menus',
    'set-start-page': 'home page front page',
    protect: 'lock',
    unprotect: 'unlock',
    'send-for-review': 'approve check',
}
const keysOf: Partial<Record<PageAct, string>> = { duplicate: 'Ctrl D', 'put-in-bin': 'Del' }

const views: [name: string, path: string, also: string][] = [
    ['Outline', 'outline', 'pages tree structure'],
    ['Menus', 'menus', 'navigation main menu footer'],
    ['Addresses', 'addresses', 'urls redirects links missed 404'],
    ['Match addresses of an old site', 'addresses/matching', 'relaunch migrate old urls'],
    ['Findability', 'findability', 'seo search engines findings score'],
    ['Files', 'files', 'pictures images documents media'],
    ['Layouts', 'layouts', 'templates fields'],
    ['People', 'people', 'users roles rights permissions'],
    ['History', 'history', 'log changes who'],
    ['Plans', 'plans', 'restructure drafts later'],
    ['Settings of this site', 'settings', 'site name language configuration'],
    ['Import pages', 'bring-in', 'bring in migrate csv'],
    ['Export the site', 'take-out', 'download backup take out'],
    ['Find and replace', 'replace', 'search text'],
]

/** Where those are done that belong to a view. */
const inViews: [name: string, path: string, what: string, also: string, keys?: string][] = [
    ['Make page at the top', 'outline', 'make', 'new page create add', 'N'],
    ['Show the bin', 'outline', 'bin', 'deleted retired trash bring back restore'],
    ['New redirect', 'addresses', 'new-redirect', 'make add short address poster forward'],
    ['Import redirects', 'addresses', 'import-redirects', 'bring in csv old addresses'],
    ['Test addresses', 'addresses', 'test', 'try check explain'],
    ['New menu', 'menus', 'new-menu', 'make add navigation'],
    ['New plan', 'plans', 'new-plan', 'make prepare restructure'],
]

/** What can be done from here, on the site and to the page that is chosen. */
export function useCommands(onKeys: () => void): Command[] {
    const site = useSite()
    const navigate = useNavigate()
    const { undo, redo } = useChanges()
    const { act } = usePageActs()
    const current = useRouterState({
        select: ({ location, matches }) => {
            const { row, page } = location.search as { row?: string; page?: string }
            const written = (matches.at(-1)?.params as { page?: string } | undefined)?.page
            return written ?? (location.pathname.endsWith('/outline') ? (row ?? page) : undefined) ?? null
        },
    })
    const { data } = useQuery({ ...pageQuery(site.key, current ?? ''), enabled: current !== null })
    const sheet = data?.sheet
    const go = (path: string, search: Record<string, unknown> = {}) =>
        void navigate({ to: `/s/$site/${path}` as '/s/$site/outline', params: { site: site.key }, search })
    const inOutline = (what: string) => () => {
        if (sheet === undefined) return
        ask({ what, page: sheet })
        go('outline', { row: sheet.id })
    }
    const open = (name: string, path: string, also: string): Command => ({ name, also, run: () => go(path) })
    const hidden = new Set(
        [
            !site.may('addresses') && ['New redirect', 'Import redirects', 'Match addresses of an old site'],
            !site.may('menus') && ['New menu'],
            !site.makes && ['Make page at the top', 'Import pages'],
            !site.writes && ['Find and replace', 'New plan'],
        ].flatMap(each => each || []),
    )
    const ofPage: Command[] =
        sheet === undefined || sheet.state === 'bin' || !site.writes
            ? []
            : [
                  ...(mayOn(sheet, 'structure')
                      ? [
                            { name: 'Move to…', also: 'place parent put under', keys: 'M', run: inOutline('move') },
                            { name: 'Rename', also: 'name title', keys: 'F2', run: inOutline('name') },
                            { name: 'Change slug', also: 'url address', keys: 'Shift F2', run: inOutline('slug') },
                            {
                                name: 'New page inside',
                                also: 'make add child create',
                                keys: 'N',
                                run: inOutline('make-inside'),
                            },
                        ]
                      : []),
                  ...(sheet.kind === 'page'
                      ? [
                            {
                                name: mayOn(sheet, 'write') ? 'Write on the page' : 'Read the page',
                                also: 'edit content text',
                                keys: 'E',
                                run: () =>
                                    void navigate({
                                        to: '/s/$site/write/$page',
                                        params: { site: site.key, page: sheet.id },
                                    }),
                            },
                        ]
                      : []),
                  ...(site.may('menus')
                      ? [{ name: 'Add to picks…', also: 'front page cards', keys: 'P', run: inOutline('pick') }]
                      : []),
                  ...actsOn(sheet, right => mayOn(sheet, right), site.isOwner).map(each => ({
                      name: actLabel(each),
                      also: alsoCalled[each] ?? '',
                      ...(keysOf[each] === undefined ? {} : { keys: keysOf[each] }),
                      run: () => void act(each, [sheet]),
                  })),
              ].map(command => ({ ...command, of: sheet.name }))
    return [
        ...ofPage,
        ...inViews.map(([name, path, what, also, keys]) => ({
            name,
            also,
            ...(keys === undefined ? {} : { keys }),
            run: () => {
                ask({ what })
                go(path)
            },
        })),
        ...views.map(([name, path, also]) => open(name, path, also)),
        ...(site.may('settings')
            ? [{ name: 'Change the start page', also: 'home front page', run: () => go('menus') }]
            : []),
        { name: 'Undo', also: 'take back revert', keys: 'Ctrl Z', run: undo },
        { name: 'Redo', also: 'again', keys: 'Ctrl Shift Z', run: redo },
        { name: 'Keys', also: 'keyboard shortcuts help', keys: '?', run: onKeys },
    ].filter(({ name }) => !hidden.has(name))
}

/** Those that have every word, those whose own name begins with the first one first. */
export function commandsFor(commands: Command[], text: string): Command[] {
    const words = text.toLowerCase().split(/\s+/).filter(Boolean)
    if (words.length === 0) return []
    const begins = (said: string, word: string) => said.split(/[\s…]+/).some(each => each.startsWith(word))
    const rank = ({ name, of = '' }: Command) => {
        const called = name.toLowerCase()
        if (called.startsWith(words.join(' '))) return 0
        return words.every(word => begins(`${called} ${of.toLowerCase()}`, word)) ? 1 : 2
    }
    return commands
        .filter(({ name, also, of = '' }) => words.every(word => begins(`${name} ${also} ${of}`.toLowerCase(), word)))
        .map(command => [rank(command), command] as const)
        .sort(([one], [other]) => one - other)
        .map(([, command]) => command)
}
