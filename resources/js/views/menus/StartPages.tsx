import { useState } from 'react'
import type { Schemas } from '../../api/client'
import { useChanges } from '../../app/changes'
import { PickPage } from '../../app/PickPage'
import { Preview } from '../../app/Preview'
import { Button } from '../../ui/Button'
import { HelpLink } from '../../ui/HelpLink'
import { SiteNames } from '../../app/SiteNames'

type For = 'visitors' | 'signed-in'

/** What people get at the site's own address: visitors, and those who are signed in there. */
export function StartPages({ start, writes }: { start: Schemas['MenuList']['startPages']; writes: boolean }) {
    const { propose } = useChanges()
    const [choosing, setChoosing] = useState<For | null>(null)
    const [previewed, setPreviewed] = useState<{ who: For; id: string; name: string } | null>(null)
    const rows: [For, string, Schemas['StartPage'] | null, string][] = [
        ['visitors', 'Visitors', start.visitors, start.visitors?.name ?? 'none yet'],
        ['signed-in', 'Signed-in people', start.signedIn ?? start.visitors, start.signedIn?.name ?? 'the same'],
    ]
    const set = (who: For, page: { id: string; name: string }) =>
        void propose({
            title: `${page.name} becomes the start page${who === 'signed-in' ? ' of signed-in people' : ''}`,
            act: 'Make it the start page',
            batch: { changes: [{ kind: 'set-start-page', page: page.id, for: who }] },
        })
    return (
        <section aria-label="Start pages">
            <h2 className="flex items-center px-1.5 text-[12px] text-ink-3">
                Start pages <HelpLink task="start-page" />
            </h2>
            <ul className="mt-0.5 grid gap-1">
                {rows.map(([who, word, page, name]) => (
                    <li key={who} className="px-1.5 leading-4">
                        <span className="block min-w-0">
                            <b className="block truncate font-semibold">{name}</b>
                            <span className="text-[12px] text-ink-3">{word}</span>
                        </span>
                        <span className="-ml-1.5 flex">
                            {page !== null && (
                                <Button
                                    variant="quiet"
                                    className="h-6! px-1.5! text-[12px]"
                                    aria-label={`Preview the start page of ${word.toLowerCase()}`}
                                    onClick={() => setPreviewed({ who, id: page.ulid, name: page.name })}
                                >
                                    Preview
                                </Button>
                            )}
                            {writes && (
                                <Button
                                    variant="quiet"
                                    className="h-6! px-1.5! text-[12px]"
                                    aria-label={`Change the start page of ${word.toLowerCase()}`}
                                    onClick={() => setChoosing(who)}
                                >
                                    Change
                                </Button>
                            )}
                        </span>
                    </li>
                ))}
            </ul>
            {writes && start.signedIn !== null && start.visitors !== null && (
                <Button
                    variant="quiet"
                    className="h-6! px-1.5! text-[12px]"
                    onClick={() =>
                        start.visitors !== null &&
                        set('signed-in', { id: start.visitors.ulid, name: start.visitors.name })
                    }
                >
                    The same for both
                </Button>
            )}
            {writes && <SiteNames />}
            {previewed !== null && (
                <Preview open onClose={() => setPreviewed(null)} page={previewed} as={previewed.who} />
            )}
            <PickPage
                open={choosing !== null}
                title={choosing === 'signed-in' ? 'Start page of signed-in people' : 'Start page of visitors'}
                onClose={() => setChoosing(null)}
                onPick={page => {
                    const who = choosing
                    setChoosing(null)
                    if (who !== null) set(who, page)
                }}
            />
        </section>
    )
}
