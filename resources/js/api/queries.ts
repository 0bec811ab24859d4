import { queryOptions } from '@tanstack/react-query'
import { answered, api } from './client'
import { whole } from './rows'

/** Every query key in one place, from the general to the particular, so that a change can name what it makes old. */
export const keys = {
    session: ['session'] as const,
    site: (site: string) => ['site', site] as const,
    outline: (site: string) => [...keys.site(site), 'outline'] as const,
    branch: (site: string, parent: string | null, offset: number) =>
        [...keys.site(site), 'branch', parent, offset] as const,
    filter: (site: string, text: string, facets: Record<string, string | undefined>) =>
        [...keys.site(site), 'filter', text, facets] as const,
    history: (site: string, wanted: Record<string, string | undefined>) =>
        [...keys.site(site), 'history', wanted] as const,
    pageHistory: (site: string, page: string) => [...keys.site(site), 'page-history', page] as const,
    entry: (site: string, entry: string) => [...keys.site(site), 'entry', entry] as const,
    foresight: (site: string) => ['foresight', site] as const,
    underWay: (site: string) => ['under-way', site] as const,
    bin: (site: string) => [...keys.site(site), 'bin'] as const,
    structure: (site: string, of: string | null, levels: number) =>
        [...keys.site(site), 'structure', of, levels] as const,
    versions: (site: string, page: string) => [...keys.site(site), 'versions', page] as const,
    addresses: (site: string) => [...keys.site(site), 'addresses'] as const,
    redirect: (site: string, id: string) => [...keys.site(site), 'redirect', id] as const,
    files: (site: string, text: string, pictures: boolean) => [...keys.site(site), 'files', text, pictures] as const,
    menus: (site: string) => [...keys.site(site), 'menus'] as const,
    menu: (site: string, menu: string) => [...keys.site(site), 'menu', menu] as const,
    pageMenus: (site: string, page: string) => [...keys.site(site), 'page-menus', page] as const,
    page: (site: string, page: string) => [...keys.site(site), 'page', page] as const,
    content: (site: string, page: string) => [...keys.site(site), 'content', page] as const,
    goTo: (site: string, text: string) => [...keys.site(site), 'go-to', text] as const,
}

export const sessionQuery = queryOptions({
    queryKey: keys.session,
    queryFn: async () => (await answered(api.GET('/session'))) ?? null,
    staleTime: Infinity,
    retry: false,
})

export const branchQuery = (site: string, parent: string | null, offset: number) =>
    queryOptions({
        queryKey: keys.branch(site, parent, offset),
        queryFn: async ({ signal }) => {
            const piece = await answered(
                api.GET('/sites/{site}/branch', {
                    params: { path: { site }, query: { parent: parent ?? '', offset } },
                    signal,
                }),
            )
            return { ...piece, rows: piece.rows.map(whole) }
        },
    })

export const filterQuery = (
    site: string,
    text: string,
    facets: { state?: string; kind?: string; layout?: string; tag?: string } = {},
    sort?: string,
) =>
    queryOptions({
        queryKey: [...keys.filter(site, text, facets), sort ?? ''],
        queryFn: async ({ signal }) => {
            const found = await answered(
                api.GET('/sites/{site}/filter', {
                    params: { path: { site }, query: { text, ...facets, ...(sort === undefined ? {} : { sort }) } },
                    signal,
                }),
            )
            return { ...found, rows: found.rows.map(whole) }
        },
        placeholderData: previous => previous,
    })

export const pageQuery = (site: string, page: string) =>
    queryOptions({
        queryKey: keys.page(site, page),
        queryFn: async ({ signal }) => {
            const asked = api.GET('/sites/{site}/pages/{page}', { params: { path: { site, page } }, signal })
            const sheet = await answered(asked)
            return { sheet, etag: (await asked).response.headers.get('ETag') ?? '' }
        },
    })

export const goToQuery = (site: string, text: string) =>
    queryOptions({
        queryKey: keys.goTo(site, text),
        queryFn: ({ signal }) =>
            answered(api.GET('/sites/{site}/go-to', { params: { path: { site }, query: { text } }, signal })),
        placeholderData: previous => previous,
        staleTime: 5_000,
    })
