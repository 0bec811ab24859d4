import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { useRef, useState } from 'react'
import { redirectQuery, type Span } from '../../api/addressQueries'
import { useChanges } from '../../app/changes'
import { useSite } from '../../app/site'
import { Button } from '../../ui/Button'
import { count } from '../../ui/count'
import { SidePanel } from '../../ui/SidePanel'
import { Compared } from './Compared'
import { changeOf, type Draft, draftOf } from './draft'
import { HitDays } from './HitDays'
import { RedirectForm } from './RedirectForm'
import { Share } from './Share'
import { Hops } from './Hops'
import type { Row } from './labels'
import { Alert } from '../../ui/Alert'
import { DialogActions } from '../../ui/DialogActions'

const origins: Record<string, string> = {
    hand: 'made by hand',
    change: 'made by a change',
    import: 'brought in from a file',
}

/** Everything about one redirect: its fields, its steps, its hits, who links to it. */
export function RedirectPanel({
    row,
    id,
    onClose,
    onPage,
    onGone,
}: {
    row: Row | undefined
    id: string
    onClose: () => void
    onPage: (page: string) => void
    onGone: () => void
}) {
    const site = useSite()
    const { propose } = useChanges()
    const [span, setSpan] = useState<Span>('day')
    const isGone = useRef(false)
    const { data, error } = useQuery({
        ...redirectQuery(site.key, id, span),
        placeholderData: keepPreviousData,
        // What has been removed is not asked for while the panel closes.
        enabled: () => !isGone.current,
    })
    const leave = () => {
        isGone.current = true
        onGone()
    }
    const [typed, setTyped] = useState<Draft | null>(null)
    const stored = data === undefined ? null : draftOf(data.redirect, data.targetName)
    const draft = typed ?? stored
    const name = data?.redirect.source ?? row?.address ?? ''
    const save = () =>
        draft !== null &&
        void propose({
            title: `Changing the redirect of ${name}`,
            act: 'Change the redirect',
            batch: { changes: [changeOf('change-redirect', draft)] },
            now: true,
            done: () => setTyped(null),
        })
    const turn = (isOn: boolean) =>
        void propose({
            title: `Switching the redirect of ${name} ${isOn ? 'on' : 'off'}`,
            act: isOn ? 'Switch it on' : 'Switch it off',
            batch: { changes: [{ kind: 'change-redirect', redirect: id, isOn }] },
            now: true,
        })
    const remove = (gone: boolean) =>
        void propose({
            title: `Removing the redirect of ${name}`,
            act: 'Remove it',
            batch: { changes: [{ kind: 'remove-redirect', redirect: id, gone }] },
            now: true,
            done: leave,
        })
    const page = data?.redirect.leadsTo?.page
    const serve = () =>
        page !== undefined &&
        void propose({
            title: `Letting the page answer at ${name}`,
            act: 'Let it answer here',
            batch: {
                changes: [
                    { kind: 'remove-redirect', redirect: id },
                    { kind: 'add-address', page, address: name, answer: 'serve' },
                ],
            },
            now: true,
            done: leave,
        })
    return (
        <SidePanel
            label="Redirect"
            title={name}
            description={
                row?.sentence?.replaceAll('*', '') ??
                (data === undefined ? '' : (origins[data.redirect.origin.split(' ')[0] ?? ''] ?? ''))
            }
            mono
            close="Close the redirect"
            width="w-[420px] max-lg:w-[360px]"
            onClose={onClose}
        >
            <div className="grid min-h-0 flex-1 content-start gap-4 overflow-y-auto px-4 pb-4">
                {error !== null && <Alert>{error.message}</Alert>}
                {data !== undefined && draft !== null && (
                    <>
                        {data.redirect.scope === 'one' && <Share address={data.redirect.source} />}
                        <section aria-label="Steps">
                            <h3 className="mb-1.5 font-semibold">
                                What visitors get
                                {data.redirect.scope === 'one' ? (
                                    ''
                                ) : (
                                    <span className="font-normal text-ink-3">
                                        {' '}
                                        at <span className="font-mono text-[12px]">{data.sample}</span>
                                    </span>
                                )}
                            </h3>
                            <Hops trace={data.way} />
                        </section>
                        <HitDays
                            days={data.days}
                            referrers={data.referrers}
                            since={data.since}
                            span={span}
                            onSpan={setSpan}
                        />
                        <Compared own={id} source={data.redirect.source} others={data.sameTarget} />
                        {data.links.length > 0 && (
                            <section aria-label="Linked from">
                                <h3 className="mb-1 font-semibold">
                                    {count(data.links.length, 'page links', 'pages link')} to it by address
                                </h3>
                                <ul>
                                    {data.links.map(link => (
                                        <li key={link.id}>
                                            <button
                                                type="button"
                                                className="text-heron hover:underline"
                                                onClick={() => onPage(link.id)}
                                            >
                                                {link.name}
                                            </button>
                                        </li>
                                    ))}
                                </ul>
                            </section>
                        )}
                        <section aria-label="Fields" className="border-t border-line pt-3">
                            <RedirectForm
                                key={id}
                                draft={draft}
                                kind="change-redirect"
                                writes={site.may('addresses')}
                                isTyped={typed !== null}
                                onDraft={setTyped}
                            />
                            {site.may('addresses') && typed !== null && (
                                <DialogActions className="mt-3">
                                    <Button onClick={() => setTyped(null)}>Discard</Button>
                                    <Button variant="main" onClick={save}>
                                        Save changes
                                    </Button>
                                </DialogActions>
                            )}
                        </section>
                        {site.may('addresses') && (
                            <div className="flex flex-wrap gap-2 border-t border-line pt-3">
                                <Button onClick={() => turn(!data.redirect.isOn)}>
                                    {data.redirect.isOn ? 'Switch it off' : 'Switch it on'}
                                </Button>
                                {page !== undefined && data.redirect.scope === 'one' && !data.redirect.inFront && (
                                    <Button onClick={serve}>Show the page here instead</Button>
                                )}
                                {data.redirect.scope === 'one' && !data.redirect.inFront && (
                                    <Button onClick={() => remove(true)}>Remove, and say it is gone</Button>
                                )}
                                <Button variant="breaks" onClick={() => remove(false)}>
                                    Remove
                                </Button>
                            </div>
                        )}
                    </>
                )}
            </div>
        </SidePanel>
    )
}
