import { useQuery } from '@tanstack/react-query'
import { Link } from '@tanstack/react-router'
import { useState, type ReactNode } from 'react'
import { answered, api, type Schemas } from '../../api/client'
import { keys } from '../../api/queries'
import { CodeDialog } from '../../app/CodeDialog'
import { SiteNames } from '../../app/SiteNames'
import { useSite } from '../../app/site'
import { Button } from '../../ui/Button'
import { count } from '../../ui/count'
import { PageTitle } from '../../ui/PageTitle'
import { ReadFailure } from '../../ui/ReadFailure'
import { AddressRules } from './AddressRules'
import { Design } from './Design'
import { cachingWords } from '../../ui/caching'
import { CachingChoice } from './CachingChoice'
import { BackgroundWork, FailedJobs } from './FailedJobs'
import { RemoveSite } from './RemoveSite'

type Settings = Schemas['SiteSettings']
type Setting = { name: string; now: ReactNode; does: string; act?: ReactNode }

const link = 'font-semibold text-heron hover:underline'
const act = 'h-6! px-0! hover:underline not-disabled:hover:bg-transparent'

/** What holds for the whole site, in one place: how it stands, what it does, who inherits it, and where it is set. */
export function SettingsView() {
    const site = useSite()
    const [open, setOpen] = useState<'code' | 'rules' | 'remove' | null>(null)
    const settings = useQuery({
        queryKey: [...keys.site(site.key), 'settings'],
        queryFn: () => answered(api.GET('/sites/{site}/settings', { params: { path: { site: site.key } } })),
    })
    return (
        <main className="h-full overflow-y-auto">
            <div className="flex h-14 items-center border-b border-line px-4">
                <PageTitle>Settings of this site</PageTitle>
            </div>
            <div className="max-w-[1040px] px-4 py-2">
                <ReadFailure of={settings} />
                {settings.data !== undefined && (
                    <dl>
                        {rowsOf(settings.data, site.key, site.may('settings'), site.isOwner, setOpen).map(row => (
                            <div
                                key={row.name}
                                className="grid grid-cols-[180px_minmax(0,1fr)_auto] gap-x-5 border-b border-line py-2.5 max-sm:grid-cols-1"
                            >
                                <dt className="font-semibold">{row.name}</dt>
                                <dd>
                                    {row.now}
                                    <p className="text-[13px] leading-5 text-ink-3">{row.does}</p>
                                </dd>
                                <dd className="text-right max-sm:text-left">{row.act}</dd>
                            </div>
                        ))}
                    </dl>
                )}
                {site.isOwner && !settings.isPending && (
                    <div className="flex flex-wrap items-center gap-x-5 gap-y-2 py-4">
                        <p className="min-w-0 flex-1 text-[13px] leading-5 text-ink-3">
                            A site that is removed answers nowhere. It waits in the bin for thirty days and comes back
                            as it was.
                        </p>
                        <Button variant="breaks" onClick={() => setOpen('remove')}>
                            Remove this site…
                        </Button>
                    </div>
                )}
            </div>
            {open === 'remove' && <RemoveSite onClose={() => setOpen(null)} />}
            {open === 'code' && <CodeDialog page={null} onClose={() => setOpen(null)} />}
            {open === 'rules' && settings.data !== undefined && (
                <AddressRules rules={settings.data.rules} onClose={() => setOpen(null)} />
            )}
        </main>
    )
}

/** Where something is set by whoever has the right to it. */
const NotYours = () => <span className="text-[13px] text-ink-3">takes the right “Settings”</span>

function rowsOf(
    now: Settings,
    site: string,
    mayChange: boolean,
    isOwner: boolean,
    open: (what: 'code' | 'rules') => void,
): Setting[] {
    const params = { site }
    const { rules } = now
    return [
        {
            name: 'Names',
            now: [now.names.name, now.names.tagline].filter(Boolean).join(' · '),
            does: 'At the top of every page, in titles by their pattern, and on cards of other sites.',
            act: mayChange ? <SiteNames className={act} /> : <NotYours />,
        },
        {
            name: 'Address',
            now: <span className="font-mono text-[13px]">{now.origin}</span>,
            does: 'What every address of the site begins with. Set by whoever runs the installation.',
        },
        {
            name: 'Language and time',
            now: `${now.language}, ${now.zone}`,
            does: 'Said of every page; times without a zone are of this one. Set when the site is made.',
        },
        {
            name: 'How addresses are written',
            now: [
                rules.suffix !== ''
                    ? `ending in ${rules.suffix}`
                    : rules.trailingSlash === 'always'
                      ? 'with a slash at the end'
                      : 'without a slash at the end',
                rules.caseSensitive ? 'capitals count' : 'capitals do not count',
                rules.nativeLetters ? 'letters of the language kept' : 'letters without marks',
            ].join(', '),
            does: 'Every page inherits it; visitors who ask for another spelling are sent on.',
            act: mayChange ? (
                <Button variant="quiet" className={act} onClick={() => open('rules')}>
                    Change…
                </Button>
            ) : (
                <NotYours />
            ),
        },
        {
            name: 'Start pages',
            now: `${now.startPages.visitors ?? 'none yet'}; for signed-in people ${now.startPages.signedIn ?? 'the same'}`,
            does: 'What people get at the address of the site itself.',
            act: (
                <Link to="/s/$site/menus" params={params} className={link}>
                    Under Menus
                </Link>
            ),
        },
        {
            name: 'Design',
            now: now.design.now === '' ? 'as it ships' : now.design.now,
            does: 'Templates, styles and fonts of every page. A folder in “designs” of the installation is a choice here.',
            act: mayChange ? <Design design={now.design} /> : <NotYours />,
        },
        {
            name: 'Layouts',
            now: count(now.layouts, 'layout'),
            does: 'How pages look and what fields they have. Each page has one; defaults of fields hold where a page says nothing.',
            act: (
                <Link to="/s/$site/layouts" params={params} className={link}>
                    Layouts
                </Link>
            ),
        },
        {
            name: 'Patterns of titles',
            now: (
                <span className="font-mono text-[13px]">
                    {now.titlePattern ?? <span className="font-sans">none set for the whole site</span>}
                </span>
            ),
            does: 'Titles and descriptions of pages that have none of their own: of the layout, the branch or the page before that of the site.',
            act: (
                <Link to="/s/$site/findability" params={params} search={{ part: 'patterns' }} className={link}>
                    Patterns
                </Link>
            ),
        },
        {
            name: 'robots.txt and sitemap',
            now:
                now.robotsLines === 0
                    ? 'no lines of your own'
                    : count(now.robotsLines, 'line of your own', 'lines of your own'),
            does: 'What is asked of robots. Pages, branches and layouts say themselves whether they are in the sitemap.',
            act: (
                <Link to="/s/$site/findability" params={params} search={{ part: 'crawling' }} className={link}>
                    Robots and sitemap
                </Link>
            ),
        },
        {
            name: 'Outside services',
            now: `links to other sites ${now.checksLinks ? 'are' : 'are not'} tried; search engines ${now.tellsEngines ? 'are' : 'are not'} told of changes`,
            does: 'Nothing is asked of others, or told to them, unless it is switched on.',
            act: (
                <Link to="/s/$site/findability" params={params} search={{ part: 'links' }} className={link}>
                    Links
                </Link>
            ),
        },
        {
            name: 'People and roles',
            now: `${count(now.people, 'person', 'people')}, ${count(now.roles, 'role')}`,
            does: 'Who works here and what they may do, on the whole site and by branch.',
            act: (
                <Link to="/s/$site/people" params={params} className={link}>
                    People
                </Link>
            ),
        },
        {
            name: 'Who sees pages',
            now:
                now.gates === 0
                    ? 'everyone sees every page'
                    : `${count(now.gates, 'page says', 'pages say')} who sees them`,
            does: 'Everyone, unless the page or one above it says otherwise: under “Seen by” on the sheet of a page.',
            act: (
                <Link to="/s/$site/outline" params={params} className={link}>
                    Outline
                </Link>
            ),
        },
        {
            name: 'Accounts of visitors',
            now: `${count(now.visitors, 'account')}; ${
                now.signUp === 'nobody'
                    ? 'made here only'
                    : now.signUp === 'everyone'
                      ? 'everyone makes one'
                      : 'anyone may ask; somebody approves'
            }`,
            does: 'Who signs in at the public site.',
            act: (
                <Link to="/s/$site/people" params={params} search={{ show: 'visitors' }} className={link}>
                    Visitors
                </Link>
            ),
        },
        {
            name: 'Head code of all pages',
            now: now.hasHead ? 'some' : 'none',
            does: 'meta, link, JSON-LD and script in the head of every page; pages add their own.',
            act: (
                <Button variant="quiet" className={act} onClick={() => open('code')}>
                    View…
                </Button>
            ),
        },
        {
            name: 'Caching',
            now: cachingWords(now.caching),
            does: 'The server keeps pages until something on them changes, in any case but “off”. Who keeps a page without asking does not see a change before that time is over. A page may say something else; closed ones are kept by nobody.',
            act: mayChange ? <CachingChoice caching={now.caching} /> : <NotYours />,
        },
        ...(isOwner
            ? [
                  {
                      name: 'Work in the background',
                      now: <BackgroundWork />,
                      does: 'Large changes, reading what is brought in, findings, letters. What fails is tried three times, then listed here.',
                      act: <FailedJobs className={act} />,
                  },
              ]
            : []),
    ]
}
