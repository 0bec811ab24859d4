import { useState } from 'react'
import type { Schemas } from '../../api/client'
import { useMakeWanted } from '../../app/content/useMakeWanted'
import { PickPage } from '../../app/PickPage'
import { useSite } from '../../app/site'
import { Button } from '../../ui/Button'
import { count } from '../../ui/count'
import type { OpenPage } from './search'

type Props = { wanted: Schemas['LinkOverview']['wanted']; onPage: OpenPage }

/** Pages that links want and nobody has made, with who wants them; each is made from here, and the links then lead to it. */
export function WantedPages({ wanted, onPage }: Props) {
    const site = useSite()
    const make = useMakeWanted()
    const [making, setMaking] = useState<string | null>(null)
    return (
        <section aria-label="Wanted pages" className="lg:col-span-2">
            <h2 className="mb-1 text-[16px] font-bold">Wanted pages</h2>
            <p className="mb-1 text-ink-2">
                Links name them, and they are not there yet: visitors see the text without a link.
            </p>
            <ul>
                {wanted.map(({ name, pages, total }) => (
                    <li
                        key={name}
                        className="grid grid-cols-[minmax(160px,1fr)_minmax(200px,2fr)_auto] items-center gap-3 border-t border-line py-1.5"
                    >
                        <b className="font-semibold">{name}</b>
                        <span className="min-w-0 text-ink-2">
                            {count(total, 'page')}:{' '}
                            {pages.map((page, i) => (
                                <span key={page.id}>
                                    {i > 0 && ', '}
                                    <button
                                        type="button"
                                        className="text-heron hover:underline"
                                        onClick={() => onPage(page.id, 'content')}
                                    >
                                        {page.name}
                                    </button>
                                </span>
                            ))}
                            {total > pages.length && ' …'}
                        </span>
                        {site.writes && <Button onClick={() => setMaking(name)}>Make page…</Button>}
                    </li>
                ))}
            </ul>
            <PickPage
                open={making !== null}
                top
                title={`Where shall “${making ?? ''}” stand?`}
                onClose={() => setMaking(null)}
                onPick={({ id }) => {
                    if (making !== null) make(making, id === 'top' ? null : id)
                    setMaking(null)
                }}
            />
        </section>
    )
}
