import { useQuery } from '@tanstack/react-query'
import { useSite } from '../../app/site'
import { count } from '../../ui/count'
import { Muted } from '../../ui/Muted'
import { ReadFailure } from '../../ui/ReadFailure'
import { EngineMessages } from './EngineMessages'
import { crawlingQuery } from './queries'
import { Robots } from './Robots'
import type { OpenPage } from './search'

const reasons = {
    kind: 'of a kind without content of its own (section, pointer)',
    closed: 'that not everybody sees',
    unlisted: 'unlisted',
    noindex: 'not to be listed (noindex)',
    canonical: 'naming another address as the one that counts',
    set: 'set to be left out',
} as const

/** What crawlers are told: robots.txt with its tester, and the sitemap with what is left out of it. */
export function Crawling({ onPage }: { onPage: OpenPage }) {
    const site = useSite()
    const crawling = useQuery(crawlingQuery(site.key))
    const { data } = crawling
    return (
        <div className="min-h-0 flex-1 overflow-y-auto px-4 py-4">
            <ReadFailure of={crawling} />
            {data !== undefined && (
                <div className="grid max-w-[1120px] gap-x-10 gap-y-6 lg:grid-cols-[minmax(0,1fr)_minmax(0,380px)]">
                    <Robots key={data.lines} lines={data.lines} />
                    <section aria-label="Sitemap" className="grid content-start gap-2">
                        <h2 className="text-[16px] font-bold">Sitemap</h2>
                        <p>
                            <b className="font-semibold">{count(data.sitemap.entries, 'address', 'addresses')}</b> in{' '}
                            {count(data.sitemap.parts, 'part')}:{' '}
                            <a
                                href={data.sitemap.url}
                                target="_blank"
                                rel="noreferrer"
                                className="text-heron hover:underline"
                            >
                                {data.sitemap.url.replace(/^https?:\/\//, '')}
                            </a>
                        </p>
                        {data.contradictions.length > 0 && (
                            <div role="alert" className="rounded-md bg-amber-soft px-3 py-2 text-amber">
                                {count(data.contradictions.length, 'address', 'addresses')} of the sitemap{' '}
                                {data.contradictions.length === 1 ? 'is' : 'are'} shut out by robots.txt, so engines are
                                told to look and not to look:{' '}
                                <span className="font-mono text-[12px]">
                                    {data.contradictions.slice(0, 5).join(', ')}
                                    {data.contradictions.length > 5 && ' …'}
                                </span>
                            </div>
                        )}
                        <h3 className="mt-2 font-semibold">Live, and left out</h3>
                        {data.sitemap.leftOut.length === 0 && (
                            <Muted>Nothing: every live page is in the sitemap.</Muted>
                        )}
                        <ul>
                            {data.sitemap.leftOut.map(each => (
                                <li key={each.reason} className="border-t border-line py-1.5">
                                    {count(each.pages, 'page')} {reasons[each.reason]}
                                    <span className="block text-[12px] text-ink-3">
                                        {each.examples.map((page, n) => (
                                            <span key={page.id}>
                                                {n > 0 && ', '}
                                                <button
                                                    type="button"
                                                    className="text-heron hover:underline"
                                                    onClick={() => onPage(page.id, 'search')}
                                                >
                                                    {page.name}
                                                </button>
                                            </span>
                                        ))}
                                        {each.pages > each.examples.length && ' …'}
                                    </span>
                                </li>
                            ))}
                        </ul>
                    </section>
                    <EngineMessages />
                </div>
            )}
        </div>
    )
}
