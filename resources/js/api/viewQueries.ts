import { queryOptions } from '@tanstack/react-query'
import { answered, api } from './client'
import { keys } from './queries'

// What single views ask: apart from the queries of the outline, which everybody waits for at first.

export const menusQuery = (site: string) =>
    queryOptions({
        queryKey: keys.menus(site),
        queryFn: ({ signal }) => answered(api.GET('/sites/{site}/menus', { params: { path: { site } }, signal })),
    })

export const menuQuery = (
    site: string,
    menu: string,
    { who, at }: { who?: string | undefined; at?: string | undefined } = {},
) =>
    queryOptions({
        queryKey: [...keys.menu(site, menu), 'stored', who, at],
        queryFn: ({ signal }) =>
            answered(
                api.GET('/sites/{site}/menus/{menu}', {
                    params: {
                        path: { site, menu },
                        query: { ...(who === undefined ? {} : { who }), ...(at === undefined ? {} : { at }) },
                    },
                    signal,
                }),
            ),
        placeholderData: previous => previous,
    })

export const siteNamesQuery = (site: string) =>
    queryOptions({
        queryKey: [...keys.site(site), 'names'],
        queryFn: ({ signal }) => answered(api.GET('/sites/{site}/names', { params: { path: { site } }, signal })),
    })

export const unreachedQuery = (site: string) =>
    queryOptions({
        queryKey: [...keys.menus(site), 'unreached'],
        queryFn: ({ signal }) =>
            answered(api.GET('/sites/{site}/menus-unreached', { params: { path: { site } }, signal })),
    })

export const pageMenusQuery = (site: string, page: string) =>
    queryOptions({
        queryKey: keys.pageMenus(site, page),
        queryFn: ({ signal }) =>
            answered(api.GET('/sites/{site}/pages/{page}/menus', { params: { path: { site, page } }, signal })),
    })

export const filesQuery = (site: string, text: string, pictures: boolean) =>
    queryOptions({
        queryKey: keys.files(site, text, pictures),
        queryFn: ({ signal }) =>
            answered(
                api.GET('/sites/{site}/files', {
                    params: { path: { site }, query: { text, ...(pictures ? { pictures: true } : {}) } },
                    signal,
                }),
            ),
        placeholderData: previous => previous,
    })

export const contentQuery = (site: string, page: string) =>
    queryOptions({
        queryKey: keys.content(site, page),
        queryFn: ({ signal }) =>
            answered(api.GET('/sites/{site}/pages/{page}/content', { params: { path: { site, page } }, signal })),
    })

/** Every file of the site with its folder, those in the bin too. */
export const filesInFoldersQuery = (site: string) =>
    queryOptions({
        queryKey: [...keys.site(site), 'all-files'],
        queryFn: ({ signal }) =>
            answered(api.GET('/sites/{site}/files', { params: { path: { site }, query: { all: true } }, signal })),
    })

export const fileQuery = (site: string, file: string) =>
    queryOptions({
        queryKey: [...keys.site(site), 'file', file],
        queryFn: ({ signal }) =>
            answered(api.GET('/sites/{site}/files/{file}', { params: { path: { site, file } }, signal })),
    })
