import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { filterQuery, pageQuery } from '../../api/queries'
import { useSite } from '../../app/site'
import { Button } from '../../ui/Button'
import { count } from '../../ui/count'
import { Kbd } from '../../ui/Kbd'
import { useDebounced } from '../../ui/useDebounced'
import { Network, Trash2 } from 'lucide-react'
import { Hint } from '../../ui/Hint'
import { FacetMenus } from './Facets'
import { Grid } from './Grid'
import { filtered, flatten, type MakePlace } from './rows'
import { useMarks } from './useMarks'
import { useOutline } from './useOutline'
import { lazily } from '../../ui/lazily'

const EmptySite = lazily(() => import('./EmptySite').then(module => module.EmptySite))
const MarkBar = lazily(() => import('./MarkBar').then(module => module.MarkBar))
const Bin = lazily(() => import('./Bin').then(module => module.Bin))
const MoveTo = lazily(() => import('./MoveTo').then(module => module.MoveTo))
const PickFor = lazily(() => import('./PickFor').then(module => module.PickFor))
const StructureDrawing = lazily(() => import('./StructureDrawing').then(module => module.StructureDrawing))

export type Search = {
    open?: string
    row?: string
    top?: number
    page?: string
    filter?: string
    state?: string
    kind?: string
    layout?: string
    marked?: string
    drawing?: boolean
}
type Set_ = (
    change: Search & { tab?: 'details' | 'content' | 'search' | 'history' },
    how?: { replace: boolean },
) => void
type Props = { search: Search; set: Set_; compact: boolean }

/** The page tree: how the site is built, and what state each page is in. */
export function Outline({ search, set, compact }: Props) {
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
        }),
        [search.kind, search.layout, search.state],
    )
    const asks = text !== '' || Object.keys(facets).length > 0
    const [countsFacets, countFacets] = useState(false)
    const found = useQuery({
        ...filterQuery(site.key, text, facets),
        enabled: asks || countsFacets,
        placeholderData: keepPreviousData,
    })
    const isFiltered = asks && found.data !== undefined
    const marks = useMarks(site.key, search.marked, set)
    const [moving, setMoving] = useState(false)
    const [picking, setPicking] = useState(false)
    const [binShown, showBin] = useState(false)
    const rows = useMemo(
        () => (isFiltered ? filtered(found.data.rows) : flatten(branches, open, making)),
        [branches, found.data, isFiltered, making, open],
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
    const active = rows.find(row => row.key === search.row)
    return (
        <main
            className="grid min-w-0 flex-1 grid-cols-[minmax(0,1fr)] grid-rows-[56px_auto_auto_minmax(0,1fr)]"
            aria-busy={isPending}
        >
            <div className="flex min-w-0 items-center gap-3.5 px-4">
                <h1 className="text-[20px] leading-6 font-bold tracking-[-0.01em]">Outline</h1>
                {counts !== undefined && (
                    <p
                        className="flex min-w-0 gap-3.5 overflow-hidden whitespace-nowrap text-ink-2 max-md:hidden"
                        aria-label={`${count(counts.pages, 'page')}, ${counts.live} live`}
                    >
                        <Count n={counts.pages} word={counts.pages === 1 ? 'page' : 'pages'} />
                        <Count n={counts.live} word="live" />
                        {counts.draft > 0 && !compact && <Count n={counts.draft} word="draft" />}
                        {counts.review > 0 && !compact && <Count n={counts.review} word="in review" />}
                        {counts.offline > 0 && !compact && (
                            <Count n={counts.offline} word="offline" className="max-xl:hidden" />
                        )}
                    </p>
                )}
                {counts !== undefined && counts.bin > 0 && (
                    <button
                        type="button"
                        onClick={() => showBin(true)}
                        className="flex items-center gap-1 whitespace-nowrap text-ink-2 hover:text-ink max-md:hidden"
                    >
                        <Trash2 size={14} aria-hidden />
                        Bin <b className="font-[650] text-ink">{counts.bin}</b>
                    </button>
                )}
                <span className="ml-auto" />
                <Hint description={search.drawing === true ? 'Back to the rows' : 'A picture of the structure'}>
                    <button
                        type="button"
                        aria-pressed={search.drawing === true}
                        aria-label="Drawing"
                        onClick={() => set({ drawing: search.drawing === true ? undefined : true })}
                        className={`grid size-[30px] shrink-0 place-items-center rounded hover:bg-sunk ${search.drawing === true ? 'bg-heron-soft text-heron' : 'text-ink-2'} max-md:hidden`}
                    >
                        <Network size={16} aria-hidden />
                    </button>
                </Hint>
                <span className="max-lg:hidden">
                    <FacetMenus
                        facets={facets}
                        counts={found.data?.facets}
                        onLook={() => countFacets(true)}
                        onFacets={now => set({ state: now.state, kind: now.kind, layout: now.layout })}
                        only={compact ? ['state'] : ['state', 'kind', 'layout']}
                    />
                </span>
                <div
                    className={`flex h-[30px] min-w-[110px] items-center gap-2 border-b border-edge ${compact ? 'w-[130px]' : 'w-[190px]'}`}
                >
                    <input
                        ref={field}
                        type="search"
                        value={typed}
                        onChange={event => setTyped(event.target.value)}
                        onKeyDown={event => event.key === 'Escape' && (setTyped(''), event.currentTarget.blur())}
                        aria-label="Filter by name or address"
                        aria-keyshortcuts="/"
                        placeholder={compact ? 'Filter' : 'Name or address'}
                        className="w-full min-w-0 bg-transparent outline-none"
                    />
                    <Kbd>/</Kbd>
                </div>
                {site.writes && (
                    <Button
                        variant="main"
                        aria-keyshortcuts="n"
                        onClick={() => make({ parent: active?.kind === 'page' ? active.page.id : null, after: null })}
                    >
                        Make page
                    </Button>
                )}
            </div>
            {(marks.ids.length > 0 || isFiltered) && (
                <MarkBar
                    ids={marks.ids}
                    onMark={marks.put}
                    onMove={() => setMoving(true)}
                    onPick={() => setPicking(true)}
                    filter={isFiltered && found.data.total > 0 ? { text, facets, total: found.data.total } : null}
                />
            )}
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
                    title={text === '' ? 'No page is like this' : `No page has “${text}” in its name or address`}
                    text="Check the spelling, look for a part of it only, or choose fewer states and kinds."
                >
                    <Button
                        onClick={() => {
                            setTyped('')
                            set({ state: undefined, kind: undefined, layout: undefined, filter: undefined })
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
                <EmptySite onMake={() => make({ parent: null, after: null })} canMake={site.writes} />
            ) : (
                <Grid
                    rows={rows}
                    active={search.row}
                    compact={compact}
                    canDrag={!isFiltered && site.writes}
                    filter={isFiltered ? { total: found.data.total } : null}
                    text={isFiltered ? text : ''}
                    marks={marks}
                    top={search.top}
                    onTop={onTop}
                    onActive={row => set({ row })}
                    onOpen={setOpen}
                    onSheet={page => set({ row: page, page }, { replace: false })}
                    onMake={make}
                    onMade={page => {
                        setMaking(null)
                        if (page !== null) set({ row: page, page, tab: undefined }, { replace: false })
                    }}
                    onWant={want}
                    onFilter={() => field.current?.focus()}
                    onCloseSheet={() =>
                        search.page !== undefined && set({ page: undefined, tab: undefined }, { replace: false })
                    }
                />
            )}
            {picking && (
                <PickFor
                    pages={marks.ids.map(id => ({ id, name: 'the marked page' }))}
                    onClose={() => setPicking(false)}
                    onDone={() => marks.put([])}
                />
            )}
            {moving && (
                <MoveTo
                    pages={marks.ids.map(id => ({ id, name: 'the marked page' }))}
                    onClose={() => setMoving(false)}
                    onDone={() => marks.put([])}
                />
            )}
            {binShown && <Bin open onClose={() => showBin(false)} />}
        </main>
    )
}

/** Opens the branches above a row that is named in the address and not known yet, and fetches the piece it stands in. */
function useReveal(
    site: string,
    row: string | undefined,
    wanted: boolean,
    onPlace: (within: string[], index: number) => void,
) {
    const page = useQuery({ ...pageQuery(site, row ?? ''), enabled: wanted && row !== undefined })
    const done = useRef('')
    useEffect(() => {
        if (wanted && page.data !== undefined && row !== undefined && done.current !== row) {
            done.current = row
            onPlace(
                page.data.sheet.within.map(each => each.id),
                page.data.sheet.index,
            )
        }
    })
}

/** Opens where one left it: branches and row are remembered in this browser, and used when the address says nothing. */
function useRemembered(site: string, { open, row, top, page, filter, state, kind, marked }: Search, set: Set_) {
    const key = `heronstem.outline.${site}`
    useEffect(() => {
        const kept = localStorage.getItem(key)
        if (kept !== null && [open, row, page, filter, state, kind, marked].every(part => part === undefined))
            set(JSON.parse(kept) as Search)
        // Only on arrival: closing the last branch later is no arrival.
        // eslint-disable-next-line react-hooks/exhaustive-deps
    }, [key])
    useEffect(() => {
        if (open !== undefined || row !== undefined) localStorage.setItem(key, JSON.stringify({ open, row, top }))
    }, [key, open, row, top])
}

function Count({ n, word, className = '' }: { n: number; word: string; className?: string }) {
    return (
        <span className={className}>
            <b className="font-[650] text-ink">{n.toLocaleString('en-GB')}</b> {word}
        </span>
    )
}

function Message({ title, text, children }: { title: string; text: string; children: React.ReactNode }) {
    return (
        <div className="row-span-2 grid max-w-[420px] content-start gap-2 px-4 pt-16 pl-24">
            <h2 className="text-[17px] font-bold">{title}</h2>
            <p className="text-ink-2">{text}</p>
            <div className="mt-1">{children}</div>
        </div>
    )
}

/** Rows to come, drawn where they will be, so that nothing jumps. */
function Loading() {
    return (
        <div className="row-span-2 grid content-start gap-3 px-4 pt-12" role="status" aria-label="Reading the outline">
            {[180, 120, 150, 140, 90, 170, 130].map((width, i) => (
                <div key={i} className="ml-5 h-5 rounded bg-sunk" style={{ width, marginLeft: i === 0 ? 0 : 24 }} />
            ))}
        </div>
    )
}
