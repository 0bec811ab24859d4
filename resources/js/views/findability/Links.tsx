import { useQuery } from '@tanstack/react-query'
import type { Schemas } from '../../api/client'
import { useChanges } from '../../app/changes'
import { useSite } from '../../app/site'
import { readable } from '../../ui/Address'
import { Button } from '../../ui/Button'
import { count } from '../../ui/count'
import { Muted } from '../../ui/Muted'
import { ReadFailure } from '../../ui/ReadFailure'
import { OutsideLinks } from './OutsideLinks'
import { RawLinks } from './RawLinks'
import { WantedPages } from './WantedPages'
import { linksQuery } from './queries'
import type { OpenPage } from './search'

/** How pages are linked: how far away they are, what links give them, and links that do not lead straight to a page. */
export function Links({ onPage, onDraw }: { onPage: OpenPage; onDraw: () => void }) {
    const site = useSite()
    const { propose } = useChanges()
    const links = useQuery(linksQuery(site.key))
    const { data } = links
    const mendable = data?.raw.filter(link => link.mends).length ?? 0
    return (
        <div className="min-h-0 flex-1 overflow-y-auto px-4 py-4">
            <ReadFailure of={links} />
            {data !== undefined && (
                <div className="grid max-w-[1120px] gap-x-10 gap-y-6 lg:grid-cols-2">
                    <section aria-label="Clicks from the start page">
                        <div className="mb-2 flex items-center justify-between gap-3">
                            <h2 className="text-[16px] font-bold">Clicks from the start page</h2>
                            <Button onClick={onDraw}>Draw the links</Button>
                        </div>
                        <Depths depths={data.depths} />
                    </section>
                    <section aria-label="Nothing leads to them">
                        <h2 className="mb-2 flex min-h-[30px] items-center text-[16px] font-bold">
                            Nothing leads to them
                        </h2>
                        {data.orphans.length === 0 ? (
                            <p className="text-reed">Every page that visitors see can be reached by clicking.</p>
                        ) : (
                            <Pages pages={data.orphans} tab="details" onPage={onPage} />
                        )}
                    </section>
                    {data.wanted.length > 0 && <WantedPages wanted={data.wanted} onPage={onPage} />}
                    <section aria-label="Links of content that are written as addresses" className="lg:col-span-2">
                        <div className="mb-1 flex flex-wrap items-center justify-between gap-3">
                            <h2 className="text-[16px] font-bold">Links that are written as addresses</h2>
                            {site.may('publish') && mendable > 0 && (
                                <Button
                                    onClick={() =>
                                        void propose({
                                            title: 'Turning links that are written as addresses into links to pages',
                                            act: `Turn ${count(mendable, 'link')}`,
                                            always: true,
                                            batch: { changes: [{ kind: 'mend-links' }] },
                                        })
                                    }
                                >
                                    Turn them into links to pages
                                </Button>
                            )}
                        </div>
                        {data.raw.length === 0 ? (
                            <Muted>None: every link inside the site leads to a page, and follows it.</Muted>
                        ) : (
                            <RawLinks links={data.raw} onPage={onPage} />
                        )}
                    </section>
                    <section aria-label="Links give them most weight">
                        <h2 className="mb-1 text-[16px] font-bold">Links give them most weight</h2>
                        <Muted small>
                            Of a thousand for all pages: where somebody who follows links of content and tree at random
                            ends up. Menus are on every page and are left out.
                        </Muted>
                        <Pages pages={data.heaviest} tab="content" onPage={onPage} />
                    </section>
                    <section aria-label="Hardly any content leads to them">
                        <h2 className="mb-1 text-[16px] font-bold">Hardly any content leads to them</h2>
                        <Muted small>A link from a page that is read often does most for them.</Muted>
                        <Pages pages={data.loneliest} tab="content" onPage={onPage} />
                    </section>
                    <div className="lg:col-span-2">
                        <OutsideLinks onPage={onPage} />
                    </div>
                </div>
            )}
        </div>
    )
}

function Depths({ depths }: { depths: Schemas['LinkOverview']['depths'] }) {
    const most = Math.max(1, ...depths.map(depth => depth.pages))
    return (
        <ul>
            {depths.map(({ clicks, pages }) => (
                <li key={String(clicks)} className="grid grid-cols-[120px_1fr_64px] items-center gap-3 py-0.5">
                    <span className={clicks === null ? 'text-berry' : clicks > 4 ? 'text-amber' : ''}>
                        {clicks === null ? 'not reachable' : clicks === 0 ? 'start page' : count(clicks, 'click')}
                    </span>
                    <span className="h-3" aria-hidden>
                        <span
                            className={
                                clicks === null
                                    ? 'block h-full rounded-sm bg-berry'
                                    : clicks > 4
                                      ? 'block h-full rounded-sm bg-amber'
                                      : 'block h-full rounded-sm bg-heron'
                            }
                            style={{ width: `${Math.max(1, (pages / most) * 100)}%` }}
                        />
                    </span>
                    <span className="text-right text-ink-2 tabular-nums">{pages.toLocaleString('en-GB')}</span>
                </li>
            ))}
        </ul>
    )
}

function Pages({
    pages,
    tab,
    onPage,
}: {
    pages: Schemas['LinkedPage'][]
    tab: 'details' | 'content'
    onPage: OpenPage
}) {
    return (
        <ul className="mt-1">
            {pages.map(each => (
                <li key={each.page} className="flex items-baseline gap-3 border-t border-line py-1.5">
                    <span className="min-w-0 flex-1 truncate">
                        <button
                            type="button"
                            className="text-heron hover:underline"
                            onClick={() => onPage(each.page, tab)}
                        >
                            {each.name}
                        </button>{' '}
                        <span className="font-mono text-[12px] text-ink-3">{readable(each.address)}</span>
                    </span>
                    <span className="text-[12px] whitespace-nowrap text-ink-3">
                        {each.clicks === null ? 'not reachable' : count(each.clicks, 'click')},{' '}
                        {count(each.linksIn, 'link')}
                    </span>
                    <span className="w-14 text-right tabular-nums">{each.weight}</span>
                </li>
            ))}
        </ul>
    )
}
