import { useState } from 'react'
import { PickPage } from '../../app/PickPage'
import { useSite } from '../../app/site'
import { Button, buttonClasses } from '../../ui/Button'
import { PageTitle } from '../../ui/PageTitle'

const files = [
    [
        'site-json',
        'Site file',
        'JSON',
        'Everything: pages with all their settings and content, files, shared pieces, menus, redirects. Read again it gives an equal site. Accounts of people, visitors and the history stay here.',
    ],
    [
        'site-html',
        'Web pages',
        'ZIP of HTML',
        'What visitors see, with pictures and styles. It works from a disk and from any web server; the redirects lie beside it for nginx and Apache. Drafts and closed pages are left out and listed.',
    ],
    [
        'site-csv',
        'Table of pages',
        'CSV',
        'One page a row with names, addresses, search texts, fields and content. Edit it elsewhere and bring it in again: what differs becomes changes.',
    ],
    ['site-xlsx', 'Table of pages', 'XLSX', 'The same as a workbook.'],
    ['markdown', 'Markdown files', 'ZIP of .md', 'A file a page in folders like the tree, its settings in front.'],
    ['opml', 'Outline', 'OPML', 'Names, addresses and the tree, for outliners.'],
    ['sitemap', 'Sitemap', 'XML', 'The addresses that search engines are to find.'],
] as const

/** The site, or a branch of it, as files in open formats. */
export function TakeOutView() {
    const site = useSite()
    const [branch, choose] = useState<{ id: string; name: string } | null>(null)
    const [picking, pick] = useState(false)
    return (
        <main aria-label="Export the site" className="flex h-full min-h-0 flex-col">
            <div className="flex h-14 shrink-0 items-center gap-4 border-b border-line px-8">
                <PageTitle>Export the site</PageTitle>
            </div>
            <div className="min-h-0 flex-1 overflow-y-auto px-8 py-6">
                <div className="max-w-[860px]">
                    <p className="mb-5 flex flex-wrap items-center gap-2">
                        <span className="text-ink-2">What to export:</span>
                        <b className="font-semibold">
                            {branch === null ? 'the whole site' : `${branch.name} and what is below`}
                        </b>
                        <Button variant="quiet" onClick={() => pick(true)}>
                            Choose a branch…
                        </Button>
                        {branch !== null && (
                            <Button variant="quiet" onClick={() => choose(null)}>
                                The whole site
                            </Button>
                        )}
                    </p>
                    <ul>
                        {files.map(([format, name, kind, about]) => (
                            <li
                                key={format}
                                className="grid grid-cols-[minmax(0,1fr)_auto] items-start gap-6 border-t border-line py-3.5"
                            >
                                <div>
                                    <h2 className="font-semibold">
                                        {name} <span className="font-normal text-ink-3">· {kind}</span>
                                    </h2>
                                    <p className="max-w-[620px] text-[13px] leading-[18px] text-ink-2">{about}</p>
                                </div>
                                <a
                                    className={buttonClasses()}
                                    aria-label={`Download ${name}, ${kind}`}
                                    href={`/api/v1/sites/${site.key}/export?format=${format}${branch === null ? '' : `&branch=${branch.id}`}`}
                                    download
                                >
                                    Download
                                </a>
                            </li>
                        ))}
                    </ul>
                </div>
            </div>
            <PickPage
                open={picking}
                title="Export the branch of"
                onClose={() => pick(false)}
                onPick={page => {
                    choose(page)
                    pick(false)
                }}
            />
        </main>
    )
}
