import { useQuery } from '@tanstack/react-query'
import { ExternalLink, Eye, X } from 'lucide-react'
import { Tabs } from 'radix-ui'
import { useState } from 'react'
import { isMissing } from '../../api/client'
import { pageQuery } from '../../api/queries'
import { useSite } from '../../app/site'
import { LiveButton } from '../../app/LiveButton'
import type { SheetTab } from '../../app/outlineSearch'
import { readable } from '../../ui/Address'
import { Button } from '../../ui/Button'
import { CutInside } from '../../ui/CutInside'
import { Hint } from '../../ui/Hint'
import { StateChip } from '../../ui/StateChip'
import type { Loaded } from './loaded'
import { LeaveGuard } from './LeaveGuard'
import { HistoryTab } from './HistoryTab'
import { InBin } from './InBin'
import { MoreActs } from './MoreActs'
import { Details } from './Details'
import { Preview } from '../../app/Preview'
import { ReviewAct, ReviewBar } from './ReviewBar'
import { SearchTab } from './SearchTab'
import { ContentTab } from './ContentTab'
import { FieldsTab } from './FieldsTab'
import { Muted } from '../../ui/Muted'

type Tab = SheetTab
type Props = { page: string; tab: Tab; onTab: (tab: Tab) => void; onClose: () => void; onGoTo: (page: string) => void }

/** Everything about one page, beside the outline, which stays usable. */
export function PageSheet(props: Props) {
    const site = useSite()
    const { data, error } = useQuery(pageQuery(site.key, props.page))
    return (
        <aside
            aria-label="Page sheet"
            className="flex h-full w-[432px] shrink-0 flex-col border-l border-line bg-sheet max-md:absolute max-md:inset-y-12 max-md:right-0 max-md:z-10 max-md:w-[calc(100vw-52px)]"
            onKeyDown={event =>
                event.key === 'Escape' &&
                !event.defaultPrevented &&
                event.target === event.currentTarget &&
                props.onClose()
            }
        >
            {error !== null ? (
                <Gone problem={error} onClose={props.onClose} />
            ) : data === undefined ? (
                <p role="status" className="p-5 text-ink-3">
                    Reading the page…
                </p>
            ) : (
                <Sheet {...props} loaded={data} />
            )}
        </aside>
    )
}

function Gone({ problem, onClose }: { problem: Error; onClose: () => void }) {
    return (
        <div className="grid gap-2 p-5">
            <h2 className="text-[18px] font-bold">
                {isMissing(problem) ? 'This page is not there' : 'The page could not be read'}
            </h2>
            <Muted>{problem.message}</Muted>
            <div>
                <Button onClick={onClose}>Close the sheet</Button>
            </div>
        </div>
    )
}

function Sheet({ tab, onTab, onClose, onGoTo, loaded }: Props & { loaded: Loaded }) {
    const { sheet } = loaded
    const hasFields = sheet.layoutFields.length > 0
    const shown = readable(sheet.url).replace(/^https?:\/\//, '')
    const [previewed, setPreviewed] = useState(false)
    const [unsaved, setUnsaved] = useState<Record<string, boolean>>({})
    const [brought, setBrought] = useState(0)
    const [reviewed, setReviewed] = useState<string | null>(null)
    const [opened, setOpened] = useState<Set<Tab>>(() => new Set([tab]))
    const dirty = Object.keys(unsaved).filter(part => unsaved[part])
    const mark = (part: string) => (now: boolean) =>
        setUnsaved(before => (before[part] === now ? before : { ...before, [part]: now }))
    const panel = 'min-h-0 flex-1 scroll-pb-20 overflow-y-auto px-5 py-4 data-[state=inactive]:hidden'
    return (
        <>
            <div className="px-5 pt-3">
                <div className="flex items-start gap-2">
                    <h2 className="min-w-0 flex-1 text-[18px] leading-6 font-bold break-words">{sheet.name}</h2>
                    <Hint description="Close the sheet">
                        <button
                            type="button"
                            aria-label="Close the sheet"
                            onClick={onClose}
                            className="grid size-7 place-items-center rounded text-ink-3 hover:bg-sunk hover:text-ink"
                        >
                            <X size={17} aria-hidden />
                        </button>
                    </Hint>
                </div>
                <div className="flex items-center gap-3 text-[13px] text-ink-3">
                    <span className="flex min-w-0 flex-1">
                        {sheet.state === 'live' ? (
                            <a
                                href={sheet.url}
                                target="_blank"
                                rel="noreferrer"
                                className="flex min-w-0 items-center gap-1.5 hover:text-heron hover:underline"
                            >
                                <CutInside text={shown} />
                                <ExternalLink size={13} className="shrink-0" aria-hidden />
                                <span className="sr-only">, on the site</span>
                            </a>
                        ) : (
                            <CutInside text={shown} />
                        )}
                    </span>
                    <StateChip
                        state={sheet.state}
                        edited={sheet.edited}
                        listed={sheet.listed}
                        from={sheet.from}
                        until={sheet.until}
                    />
                </div>
                {/* One row whatever the state's acts are called: what is below it stays where it is. */}
                <div className="mt-2 flex min-h-[30px] items-center gap-1.5 max-md:flex-wrap">
                    <Button variant="quiet" className="-ml-2" onClick={() => setPreviewed(true)}>
                        <Eye size={15} aria-hidden />
                        Preview
                    </Button>
                    <span className="ml-auto" />
                    <ReviewAct sheet={sheet} onBegin={() => setReviewed(sheet.id)} />
                    <LiveButton sheet={sheet} unsaved={dirty} />
                    {sheet.state !== 'bin' && <MoreActs sheet={sheet} />}
                </div>
                {sheet.bin !== null ? (
                    <InBin sheet={sheet} onGoTo={onGoTo} />
                ) : (
                    <ReviewBar
                        key={sheet.id}
                        sheet={sheet}
                        begun={reviewed === sheet.id}
                        onEnd={() => setReviewed(null)}
                    />
                )}
            </div>
            <Tabs.Root
                value={tab}
                onValueChange={value => {
                    setOpened(before => new Set(before).add(value as Tab))
                    onTab(value as Tab)
                }}
                className="mt-2 flex min-h-0 flex-1 flex-col"
            >
                <Tabs.List aria-label="Parts of the page" className="flex gap-[18px] border-b border-line px-5">
                    {(
                        ['details', 'content', ...(hasFields ? ['fields' as const] : []), 'search', 'history'] as const
                    ).map(value => (
                        <Tabs.Trigger
                            key={value}
                            value={value}
                            className="pt-1.5 pb-2 text-ink-2 capitalize hover:text-ink data-[state=active]:font-[650] data-[state=active]:text-ink data-[state=active]:shadow-[inset_0_-2px_var(--heron)]"
                        >
                            {value}
                            {unsaved[value] === true && (
                                <span aria-label="unsaved" className="ml-1 text-amber">
                                    •
                                </span>
                            )}
                        </Tabs.Trigger>
                    ))}
                </Tabs.List>
                <Tabs.Content forceMount value="details" className={panel}>
                    <Details loaded={loaded} onUnsaved={mark('details')} onGoTo={onGoTo} />
                </Tabs.Content>
                <Tabs.Content forceMount value="content" className={panel}>
                    {(opened.has('content') || tab === 'content') && (
                        <ContentTab
                            key={brought}
                            sheet={sheet}
                            onUnsaved={mark('content')}
                            visible={tab === 'content'}
                        />
                    )}
                </Tabs.Content>
                {hasFields && (
                    <Tabs.Content forceMount value="fields" className={panel}>
                        {(opened.has('fields') || tab === 'fields') && (
                            <FieldsTab loaded={loaded} onUnsaved={mark('fields')} visible={tab === 'fields'} />
                        )}
                    </Tabs.Content>
                )}
                <Tabs.Content forceMount value="search" className={panel}>
                    {(opened.has('search') || tab === 'search') && (
                        <SearchTab loaded={loaded} onUnsaved={mark('search')} onTab={onTab} />
                    )}
                </Tabs.Content>
                <Tabs.Content value="history" className={panel}>
                    <HistoryTab sheet={sheet} onBrought={() => setBrought(before => before + 1)} />
                </Tabs.Content>
            </Tabs.Root>
            <Preview open={previewed} onClose={() => setPreviewed(false)} page={sheet} />
            <LeaveGuard unsaved={dirty} />
        </>
    )
}
