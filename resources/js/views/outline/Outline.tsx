import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { filterQuery } from '../../api/queries'
import { useAsked } from '../../app/asked'
import { useSite } from '../../app/site'
import { Button } from '../../ui/Button'
import { count } from '../../ui/count'
import { useDebounced } from '../../ui/useDebounced'
import { useColumns } from './columns'
import { Grid } from './Grid'
import { Legend } from './Legend'
import { filtered, flat, flatten, type MakePlace } from './rows'
import { useMarks } from './useMarks'
import { useOutline } from './useOutline'
import { lazily } from '../../ui/lazily'
import { OutlineBar } from './OutlineBar'
import type { OutlineDialog } from './OutlineDialogs'
import { Loading, Message } from './OutlineMessages'
import type { Search, SetSearch } from './search'
import { useRemembered, useReveal } from './useOutlinePlace'

const EmptySite = lazily(() => import('./EmptySite').then(module => module.EmptySite))
const MarkBar = lazily(
    () => import('./MarkBar').then(module => module.MarkBar),
    <div className="min-h-10 border-t border-line bg-heron-soft" />,
)
const OutlineDialogs = lazily(() => import('./OutlineDialogs').then(module => module.OutlineDialogs))
const StructureDrawing = lazily(() => import('./StructureDrawing').then(module => module.StructureDrawing))

type Props = { search: Search; set: SetSearch; compact: boolean; onWrite: (page: string) => void }

/** The page tree: how the site is built, and what state each page is in. */
export function Outline({ search, set, compact, onWrite }: Props) {
    const site = useSite()
    const open = useMemo(() => new Set((search.open ?? '').split(',').filter(Boolean)), [search.open])
    const { branches, counts, isPending, error, retry, want } = useOutline(site.key, open)
    const [making, setMaking] = useState<MakePlace | null>(null)
    const [typed, setTyped] = useState(search.filter ?? '')
    const text = useDebounced(typed.trim(), 120)
    const field = useRef<HTMLInputElement>(null)
    const facets = useMemo(
        () => ({
            ...(search.state === undefined ? {} : { state: search.state }),
            ...(search.kind === undefined ? {} : { kind: search.kind }),
            ...(search.layout === undefined ? {} : { layout: search.layout }),
            ...(search.tag === undefined ? {} : { tag: search.tag }),
        }),
        [search.kind, search.layout, search.state, search.tag],
    )
    const asks = text !== '' || Object.keys(facets).length > 0
    const [countsFacets, countFacets] = useState(false)
    const found = useQuery({
        ...filterQuery(site.key, text, facets, search.sort),
        enabled: asks || countsFacets,
        placeholderData: keepPreviousData,
    })
    const isFiltered = asks && found.data !== undefined
    const columns = useColumns(compact)
    const marks = useMarks(site.key, search.marked, set)
    const [dialog, setDialog] = useState<OutlineDialog | null>(null)
    const rows = useMemo(
        () =>
            !isFiltered
                ? flatten(branches, open, making)
                : search.sort === undefined
                  ? filtered(found.data.rows)
                  : flat(found.data.rows),
        [branches, found.data, isFiltered, making, open, search.sort],
    )

    useEffect(() => {
        if ((search.filter ?? '') !== text) set({ filter: text === '' ? undefined : text, top: undefined })
    }, [search.filter, set, text])
    useReveal(
        site.key,
        search.row,
        !isFiltered && !isPending && search.row !== undefined && !rows.some(row => row.key === search.row),
        (within, index) => {
            set({ open: [...new Set([...open, ...within])].join(',') || undefined })
            want(within.at(-1) ?? null, index)
        },
    )

    const onTop = useCallback((top: number | undefined) => set({ top }), [set])
    const setOpen = (id: string, now: boolean) =>
        set({ open: (now ? [...open, id] : [...open].filter(each => each !== id)).join(',') || undefined })
    const make = (place: MakePlace) => {
        setTyped('')
        if (place.parent !== null && !open.has(place.parent)) setOpen(place.parent, true)
        setMaking(place)
    }
    useRemembered(site.key, search, set)
    useAsked(({ what }) => {
        if (what === 'bin') setDialog('bin')
        else if (what === 'make') make({ parent: null, after: null })
        else return false
        return true
    })
    const active = rows.find(row => row.key === search.row)
    return (
        <main className="flex min-h-0 min-w-0 flex-1 flex-col" aria-busy={isPending}>
            <OutlineBar
                counts={counts}
                compact={compact}
                drawing={search.drawing === true}
                columns={columns}
                facets={facets}
                facetCounts={found.data?.facets}
                field={field}
                typed={typed}
                onType={setTyped}
                onLook={() => countFacets(true)}
                onTags={() => setDialog('tags')}
                onFacets={now => set({ state: now.state, kind: now.kind, layout: now.layout, tag: now.tag })}
                onDrawing={() => set({ drawing: search.drawing === true ? undefined : true })}
                onBin={() => setDialog('bin')}
                onMake={() => make({ parent: active?.kind === 'page' ? active.page.id : null, after: null })}
            />
            <p className="sr-only" role="status">
                {isFiltered ? `${count(found.data.total, 'page')} found` : ''}
            </p>
            {error !== null ? (
                <Message title="The outline could not be read" text={error.message}>
                    <Button variant="main" onClick={() => void retry()}>
                        Try again
                    </Button>
                </Message>
            ) : isPending ? (
                <Loading />
            ) : isFiltered && found.data.total === 0 ? (
                <Message
                    title={text === '' ? 'No pages match' : `No page has “${text}” in its name or address`}
                    text="Check the spelling, look for a part of it only, or choose fewer states and kinds."
                >
                    <Button
                        onClick={() => {
                            setTyped('')
                            set({
                                state: undefined,
                                kind: undefined,
                                layout: undefined,
                                tag: undefined,
                                filter: undefined,
                            })
                        }}
                    >
                        Show all pages
                    </Button>
                </Message>
            ) : search.drawing === true ? (
                <StructureDrawing
                    active={search.row}
                    onRow={(row, within) =>
                        set({
                            row,
                            drawing: undefined,
                            open: [...new Set([...open, ...within])].join(',') || undefined,
                        })
                    }
                />
            ) : rows.length === 0 ? (
                <EmptySite onMake={() => make({ parent: null, after: null })} canMake={site.makes} />
            ) : (
                <Grid
                    rows={rows}
                    at={{ active: search.row, top: search.top }}
                    compact={compact}
                    canDrag={!isFiltered && site.makes}
                    filter={isFiltered ? { total: found.data.total, text, sort: search.sort } : null}
                    columns={columns}
                    marks={marks}
                    asks={{
                        onTop,
                        onActive: row => set({ row }),
                        onOpen: setOpen,
                        onSheet: page => set({ row: page, page }, { replace: false }),
                        onWrite,
                        onMake: make,
                        onMade: page => {
                            setMaking(null)
                            if (page !== null) set({ row: page, page, tab: undefined }, { replace: false })
                        },
                        onWant: want,
                        onFilter: () => field.current?.focus(),
                        onSort: sort => set({ sort, top: undefined }),
                        onCloseSheet: () => {
                            if (search.page !== undefined) set({ page: undefined, tab: undefined }, { replace: false })
                        },
                    }}
                />
            )}
            {/* At the bottom: rows stay where they are when it comes. */}
            {marks.ids.length > 0 || isFiltered ? (
                <MarkBar
                    ids={marks.ids}
                    onMark={marks.put}
                    onMove={() => setDialog('move')}
                    onPick={() => setDialog('pick')}
                    onTag={() => setDialog('tag')}
                    filter={isFiltered && found.data.total > 0 ? { text, facets, total: found.data.total } : null}
                />
            ) : (
                !compact && !isPending && search.drawing !== true && <Legend />
            )}
            {dialog !== null && (
                <OutlineDialogs
                    dialog={dialog}
                    pages={marks.ids.map(id => ({ id, name: 'the marked page' }))}
                    onClose={() => setDialog(null)}
                    onDone={() => marks.put([])}
                    onTag={tag => set({ tag })}
                />
            )}
        </main>
    )
}
