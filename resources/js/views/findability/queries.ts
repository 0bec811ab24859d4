import { queryOptions } from '@tanstack/react-query'
import { answered, api } from '../../api/client'
import { keys } from '../../api/queries'

export const auditQuery = (site: string) =>
    queryOptions({
        queryKey: [...keys.site(site), 'audit'],
        queryFn: ({ signal }) => answered(api.GET('/sites/{site}/audit', { params: { path: { site } }, signal })),
        // Pages are looked at in the background after a change: until none waits, what is shown is not the last word.
        refetchInterval: ({ state }) => ((state.data?.waiting ?? 0) > 0 ? 1000 : false),
    })

export const findingsQuery = (site: string, all: boolean) =>
    queryOptions({
        queryKey: [...keys.site(site), 'findings', all],
        queryFn: ({ signal }) =>
            answered(
                api.GET('/sites/{site}/findings', {
                    params: { path: { site }, query: all ? { all: '1' } : {} },
                    signal,
                }),
            ),
    })

export const findingsOfCheckQuery = (site: string, check: string, all: boolean, offset: number) =>
    queryOptions({
        queryKey: [...keys.site(site), 'findings', all, check, offset],
        queryFn: ({ signal }) =>
            answered(
                api.GET('/sites/{site}/findings/{check}', {
                    params: { path: { site, check }, query: { offset, ...(all ? { all: '1' } : {}) } },
                    signal,
                }),
            ),
    })

export const dismissalsQuery = (site: string) =>
    queryOptions({
        queryKey: [...keys.site(site), 'dismissals'],
        queryFn: ({ signal }) => answered(api.GET('/sites/{site}/dismissals', { params: { path: { site } }, signal })),
    })

export const patternsQuery = (site: string) =>
    queryOptions({
        queryKey: [...keys.site(site), 'patterns'],
        queryFn: ({ signal }) => answered(api.GET('/sites/{site}/patterns', { params: { path: { site } }, signal })),
    })

export const crawlingQuery = (site: string) =>
    queryOptions({
        queryKey: [...keys.site(site), 'crawling'],
        queryFn: ({ signal }) => answered(api.GET('/sites/{site}/crawling', { params: { path: { site } }, signal })),
    })

export const linksQuery = (site: string) =>
    queryOptions({
        queryKey: [...keys.site(site), 'links'],
        queryFn: ({ signal }) => answered(api.GET('/sites/{site}/links', { params: { path: { site } }, signal })),
    })

export const searchesQuery = (site: string, inVain: boolean, offset: number) =>
    queryOptions({
        queryKey: [...keys.site(site), 'searches', inVain, offset],
        queryFn: ({ signal }) =>
            answered(
                api.GET('/sites/{site}/searches', {
                    params: { path: { site }, query: { offset, ...(inVain ? { inVain: '1' } : {}) } },
                    signal,
                }),
            ),
    })

export const outsideLinksQuery = (site: string, offset: number) =>
    queryOptions({
        queryKey: [...keys.site(site), 'outside-links', offset],
        queryFn: ({ signal }) =>
            answered(api.GET('/sites/{site}/outside-links', { params: { path: { site }, query: { offset } }, signal })),
        // They are tried one after the other in the background.
        refetchInterval: ({ state }) =>
            state.data?.isOn === true && state.data.rows.some(link => link.checked === null) ? 3000 : false,
    })

export const engineMessagesQuery = (site: string) =>
    queryOptions({
        queryKey: [...keys.site(site), 'engine-messages'],
        queryFn: ({ signal }) =>
            answered(api.GET('/sites/{site}/engine-messages', { params: { path: { site } }, signal })),
        refetchInterval: ({ state }) =>
            state.data !== undefined && (state.data.noted > 0 || state.data.rows.some(row => row.state === 'waiting'))
                ? 3000
                : false,
    })

export const linkGraphQuery = (site: string) =>
    queryOptions({
        queryKey: [...keys.site(site), 'link-graph'],
        queryFn: ({ signal }) => answered(api.GET('/sites/{site}/link-graph', { params: { path: { site } }, signal })),
    })

export type GridFilter = { text?: string; state?: string; layout?: string; branch?: string; check?: string }

/** Rows read at a time. */
export const PIECE = 500

export const gridQuery = (site: string, filter: GridFilter, offset: number) =>
    queryOptions({
        queryKey: [...keys.site(site), 'search-grid', filter, offset],
        queryFn: ({ signal }) =>
            answered(
                api.GET('/sites/{site}/search-grid', {
                    params: { path: { site }, query: { ...filter, offset, limit: PIECE } },
                    signal,
                }),
            ),
    })
