import { useNavigate } from '@tanstack/react-router'
import type { Schemas } from '../../api/client'
import { ask } from '../../app/asked'
import { useChanges } from '../../app/changes'
import { useSite } from '../../app/site'
import { Button } from '../../ui/Button'
import type { OpenPage } from './search'

type Raw = Schemas['LinkOverview']['raw'][number]

const fates: Record<Raw['fate'], [string, string]> = {
    nothing: ['leads nowhere', 'text-berry'],
    redirect: ['goes through a redirect', 'text-amber'],
    page: ['could be a link to the page', 'text-ink-2'],
    other: ['leads to a file', 'text-ink-3'],
}

/** Links of content that are written as addresses, each with what becomes of it and what mends it. */
export function RawLinks({ links, onPage }: { links: Raw[]; onPage: OpenPage }) {
    return (
        <ul>
            {links.map(link => (
                <li
                    key={`${link.page} ${link.href}`}
                    className="grid min-h-[38px] grid-cols-[minmax(120px,220px)_minmax(140px,1fr)_minmax(160px,1.1fr)_auto] items-center gap-3 border-t border-line"
                >
                    <button
                        type="button"
                        className="truncate text-left text-heron hover:underline"
                        onClick={() => onPage(link.page, 'content')}
                    >
                        {link.name}
                    </button>
                    <span className="truncate font-mono text-[13px]">{link.href}</span>
                    <span className={`truncate ${fates[link.fate][1]}`}>
                        {fates[link.fate][0]}
                        {link.leadsTo !== null && `: ${link.leadsTo}`}
                        {!link.live && ', not yet published'}
                    </span>
                    <Act link={link} />
                </li>
            ))}
        </ul>
    )
}

function Act({ link }: { link: Raw }) {
    const site = useSite()
    const navigate = useNavigate()
    const { propose } = useChanges()
    if (link.mends && site.may('publish'))
        return (
            <Button
                variant="quiet"
                aria-label={`Link to the page: “${link.href}” on ${link.name}`}
                onClick={() =>
                    void propose({
                        title: `Turning links of ${link.name} into links to pages`,
                        act: 'Turn into page links',
                        always: true,
                        batch: { changes: [{ kind: 'mend-links', in: [link.page] }] },
                    })
                }
            >
                Link to the page
            </Button>
        )
    if (link.fate === 'nothing' && site.may('addresses') && link.href.startsWith('/'))
        return (
            <Button
                variant="quiet"
                aria-label={`Make a redirect… ${link.href}`}
                onClick={() => {
                    ask({ what: 'new-redirect', text: link.href })
                    void navigate({ to: '/s/$site/addresses', params: { site: site.key } })
                }}
            >
                Make a redirect…
            </Button>
        )
    return <span />
}
