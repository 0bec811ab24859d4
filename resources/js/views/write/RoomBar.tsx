import { Link } from '@tanstack/react-router'
import clsx from 'clsx'
import { ArrowLeft, Eye, Maximize2, Minimize2, Plus } from 'lucide-react'
import type { ReactNode } from 'react'
import type { Schemas } from '../../api/client'
import { writingStatus } from '../../app/content/WritingNotices'
import type { Writing } from '../../app/content/useWriting'
import { LiveButton } from '../../app/LiveButton'
import { rememberedPlace } from '../../app/outlineSearch'
import { useSite } from '../../app/site'
import type { RoomSearch } from '../../app/writeSearch'
import { readable } from '../../ui/Address'
import { Button, buttonClasses } from '../../ui/Button'
import { Hint } from '../../ui/Hint'
import { IconButton } from '../../ui/IconButton'
import { StateChip } from '../../ui/StateChip'

type Props = {
    sheet: Schemas['PageSheet']
    writing: Writing
    words: number
    search: RoomSearch
    set: (change: Partial<RoomSearch>) => void
    onPut: () => void
    onPreview: () => void
    onSource: () => void
    /** Null where the layout has no fields. */
    onFields: (() => void) | null
}

const widths = [
    [undefined, 'Wide'],
    ['tablet', 'Tablet'],
    ['phone', 'Phone'],
] as const

/** Above the page: which one it is, how wide it is shown, and saving it. */
export function RoomBar({ sheet, writing, words, search, set, onPut, onPreview, onSource, onFields }: Props) {
    const site = useSite()
    const { dirty, saving } = writing
    return (
        <div className="border-b border-line bg-sheet">
            <div className="flex h-11 items-center gap-2 px-3">
                <Hint description="Back to the outline">
                    <Link
                        to="/s/$site/outline"
                        params={{ site: site.key }}
                        search={{ ...rememberedPlace(site.key), page: sheet.id, row: sheet.id, tab: 'content' }}
                        aria-label="Back to the outline"
                        className="grid size-[30px] shrink-0 place-items-center rounded text-ink-2 hover:bg-sunk"
                    >
                        <ArrowLeft size={17} aria-hidden />
                    </Link>
                </Hint>
                <h1 className="truncate text-[16px] font-bold">{sheet.name}</h1>
                <span className="min-w-0 truncate font-mono text-[12px] text-ink-3 max-lg:hidden">
                    {readable(sheet.address)}
                </span>
                <StateChip
                    state={sheet.state}
                    edited={sheet.edited}
                    listed={sheet.listed}
                    from={sheet.from}
                    until={sheet.until}
                />
                <span className="ml-auto" />
                <Button variant="quiet" onClick={onPreview}>
                    <Eye size={15} aria-hidden />
                    Preview
                </Button>
                <LiveButton sheet={sheet} unsaved={dirty ? ['content'] : []} />
                {site.writes && (
                    <Button variant={dirty ? 'main' : 'plain'} disabled={!dirty || saving.busy} onClick={writing.save}>
                        Save page
                    </Button>
                )}
            </div>
            <div className="flex h-9 items-center gap-3 border-t border-line px-3">
                {site.writes && (
                    <Button variant="quiet" className="-ml-1" onClick={onPut}>
                        <Plus size={15} aria-hidden />
                        Block
                    </Button>
                )}
                <div role="group" aria-label="Width of the page" className="flex">
                    {widths.map(([screen, label]) => (
                        <Width key={label} on={search.screen === screen} act={() => set({ screen })}>
                            {label}
                        </Width>
                    ))}
                </div>
                {onFields !== null && (
                    <Button variant="quiet" onClick={onFields}>
                        Fields
                    </Button>
                )}
                <Button variant="quiet" onClick={onSource}>
                    Markdown and HTML
                </Button>
                <span className="ml-auto text-[12px] text-ink-3 tabular-nums">
                    {words.toLocaleString('en-GB')} {words === 1 ? 'word' : 'words'}
                </span>
                <p role="status" className="min-w-[204px] text-right text-[12px] text-ink-3">
                    <span key={writingStatus(writing)}>{writingStatus(writing)}</span>
                </p>
                <Hint description={search.full === true ? 'Back to the size before' : 'Full screen'}>
                    <IconButton
                        aria-label="Full screen"
                        aria-pressed={search.full === true}
                        className="text-ink-2"
                        onClick={() => set({ full: search.full === true ? undefined : true })}
                    >
                        {search.full === true ? (
                            <Minimize2 size={15} aria-hidden />
                        ) : (
                            <Maximize2 size={15} aria-hidden />
                        )}
                    </IconButton>
                </Hint>
            </div>
        </div>
    )
}

function Width({ on, act, children }: { on: boolean; act: () => void; children: ReactNode }) {
    return (
        <button
            type="button"
            aria-pressed={on}
            onClick={act}
            className={clsx(buttonClasses('quiet'), 'h-7', on ? 'bg-heron-soft text-heron' : 'text-ink-2')}
        >
            {children}
        </button>
    )
}
