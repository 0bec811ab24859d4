import clsx from 'clsx'
import { useState } from 'react'
import { useSite } from '../../app/site'
import { Alert } from '../../ui/Alert'
import { Button } from '../../ui/Button'
import { count } from '../../ui/count'
import { fileLook, inputClasses } from '../../ui/Field'
import { Muted } from '../../ui/Muted'
import { useKept } from '../../ui/useKept'
import { ago } from '../../ui/time'
import { useGive } from './useSource'
import { useSources } from '../../app/useSources'
import { formats } from './words'

const kinds = [
    ['A table', 'CSV or XLSX: one page a row, by address, by indented names, or with a column for the parent.'],
    ['Addresses', 'A sitemap, a list with one address a line, or an access log of your web server.'],
    ['Saved pages', 'A ZIP file of HTML pages with their pictures and documents, or of Markdown files.'],
    ['A structure', 'An OPML outline, or a site file that Heronstem wrote.'],
] as const

const waits = {
    reading: 'being read',
    ready: 'ready to look at',
    failed: 'could not be read',
    applying: 'being imported',
    applied: '',
    stopped: '',
}

/** What somebody has, given to be looked at: nothing is made before they have seen what would come of it. */
export function Give({ onGiven }: { onGiven: (id: string) => void }) {
    const site = useSite()
    const [text, keep] = useKept(`heronstem give ${site.key}`, '')
    const [address, type] = useState('')
    const [over, setOver] = useState(false)
    const give = useGive(source => {
        keep(null)
        onGiven(source.id)
    })
    const open = useSources()
    return (
        <div
            className={clsx('min-h-0 flex-1 overflow-y-auto px-8 py-6', over && 'bg-heron-soft')}
            onDragOver={event => {
                event.preventDefault()
                setOver(true)
            }}
            onDragLeave={() => setOver(false)}
            onDrop={event => {
                event.preventDefault()
                setOver(false)
                const file = event.dataTransfer.files[0]
                if (file !== undefined) give.mutate({ file })
            }}
        >
            <div className="grid max-w-[760px] gap-5">
                <p className="text-ink-2">
                    Give what you have of the other site. You see the tree that would come of it, with a word on every
                    page, before anything is made here.
                </p>
                <dl className="grid gap-x-6 gap-y-2 sm:grid-cols-2">
                    {kinds.map(([kind, what]) => (
                        <div key={kind}>
                            <dt className="font-semibold">{kind}</dt>
                            <dd className="text-[13px] leading-[18px] text-ink-2">{what}</dd>
                        </div>
                    ))}
                </dl>
                <div className="grid gap-2">
                    <label className="grid gap-1">
                        <span className="text-ink-2">Paste it here, or drop a file anywhere on this page</span>
                        <textarea
                            rows={8}
                            value={text}
                            placeholder={'https://www.example.org/\nhttps://www.example.org/travel/fares.html'}
                            onChange={event => {
                                keep(event.target.value)
                                give.reset()
                            }}
                            className={`${inputClasses} resize-y font-mono text-[13px]`}
                        />
                    </label>
                    <div className="flex flex-wrap items-center gap-3">
                        <Button
                            variant="main"
                            disabled={text.trim() === '' || give.isPending}
                            onClick={() => give.mutate({ text })}
                        >
                            Review it
                        </Button>
                        <input
                            type="file"
                            aria-label="File to import"
                            className={fileLook}
                            onChange={event => {
                                const file = event.target.files?.[0]
                                if (file !== undefined) give.mutate({ file })
                            }}
                        />
                        <a
                            className="ml-auto text-heron underline underline-offset-2"
                            href={`/api/v1/sites/${site.key}/bring-in-template`}
                            download
                        >
                            A table to fill in
                        </a>
                    </div>
                    <form
                        noValidate
                        className="mt-2 flex flex-wrap items-end gap-3"
                        onSubmit={event => {
                            event.preventDefault()
                            give.mutate({ address })
                        }}
                    >
                        <label className="grid min-w-0 flex-1 gap-1">
                            <span className="text-ink-2">Or the address of the old site, while it still answers</span>
                            <input
                                type="url"
                                value={address}
                                placeholder="https://www.example.org/"
                                onChange={event => {
                                    type(event.target.value)
                                    give.reset()
                                }}
                                className={`${inputClasses} font-mono text-[13px]`}
                            />
                        </label>
                        <Button type="submit" disabled={address.trim() === '' || give.isPending}>
                            Read that site
                        </Button>
                    </form>
                    <Muted>Read as its robots.txt allows, one request at a time. It can be stopped at any time.</Muted>
                    {give.isPending && <p role="status">Sending it…</p>}
                    {give.error !== null && <Alert>{give.error.message}</Alert>}
                </div>
                {open.data !== undefined && open.data.length > 0 && (
                    <section aria-labelledby="given-before" className="border-t border-line pt-4">
                        <h2 id="given-before" className="mb-1 font-semibold">
                            Uploaded before, not imported yet
                        </h2>
                        <ul>
                            {open.data.map(source => (
                                <li key={source.id} className="flex items-baseline gap-3 border-b border-line py-1.5">
                                    <button
                                        type="button"
                                        className="min-w-0 truncate font-semibold text-heron hover:underline"
                                        onClick={() => onGiven(source.id)}
                                    >
                                        {source.name}
                                    </button>
                                    <span className="text-[13px] text-ink-2">
                                        {formats.find(([format]) => format === source.format)?.[1]}
                                        {source.pages > 0 && `, ${count(source.pages, 'page')}`}
                                    </span>
                                    <span className="ml-auto shrink-0 text-[12px] text-ink-3">
                                        {waits[source.state]} · {ago(source.given)}
                                    </span>
                                </li>
                            ))}
                        </ul>
                        <Muted>Kept for seven days.</Muted>
                    </section>
                )}
            </div>
        </div>
    )
}
