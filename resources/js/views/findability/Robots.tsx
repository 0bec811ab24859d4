import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { answered, api } from '../../api/client'
import { keys } from '../../api/queries'
import { useChanges } from '../../app/changes'
import { useSite } from '../../app/site'
import { Alert } from '../../ui/Alert'
import { Button } from '../../ui/Button'
import { Field, FieldFrame, inputClasses } from '../../ui/Field'
import { Modal } from '../../ui/Modal'
import { DialogActions } from '../../ui/DialogActions'
import { ReadFailure } from '../../ui/ReadFailure'
import { useDebounced } from '../../ui/useDebounced'
import { useKept } from '../../ui/useKept'

/** The lines of robots.txt, and a tester that names the line that decides. */
export function Robots({ lines: stands }: { lines: string }) {
    const site = useSite()
    const { propose } = useChanges()
    const [lines, keep] = useKept<string>(`heronstem robots ${site.key} ${stands.length}`, stands)
    const [agent, setAgent] = useState('*')
    const [address, setAddress] = useState('/')
    const [problem, setProblem] = useState('')
    const [isSure, makeSure] = useState(false)
    const asked = useDebounced(JSON.stringify({ lines, agent, address }), 150)
    const tried = useQuery({
        queryKey: [...keys.site(site.key), 'robots-tried', asked],
        queryFn: ({ signal }) =>
            answered(
                api.POST('/sites/{site}/crawling/tried', {
                    params: { path: { site: site.key } },
                    body: JSON.parse(asked) as { lines: string; agent: string; address: string },
                    signal,
                }),
            ),
        placeholderData: keepPreviousData,
    })
    const verdict = tried.data
    const set = (shutsOut: boolean) => {
        setProblem('')
        makeSure(false)
        void propose({
            title: 'Changing robots.txt',
            act: 'Change robots.txt',
            batch: { changes: [{ kind: 'set-robots', robots: lines, ...(shutsOut ? { shutsOut: true } : {}) }] },
            done: () => keep(null),
            failed: failed => setProblem(failed.problem.errors?.[0]?.reason ?? failed.message),
        })
    }
    return (
        <section aria-label="robots.txt" className="grid content-start gap-3">
            <h2 className="text-[16px] font-bold">robots.txt</h2>
            <FieldFrame
                stacked
                label="Lines"
                error={problem === '' ? undefined : problem}
                hint="User-agent, Allow, Disallow and Sitemap. A group for all crawlers and the sitemap are added where they are missing."
            >
                {({ id, describedBy }) => (
                    <textarea
                        id={id}
                        aria-describedby={describedBy}
                        rows={8}
                        spellCheck={false}
                        readOnly={!site.may('search')}
                        value={lines}
                        placeholder={'User-agent: *\nDisallow: /crew'}
                        onChange={event => keep(event.target.value)}
                        className={`${inputClasses} resize-y font-mono text-[13px]`}
                    />
                )}
            </FieldFrame>
            {site.may('search') && (
                <div className="flex gap-2">
                    <Button
                        variant="main"
                        disabled={lines === stands}
                        onClick={() => (verdict?.shutsOutAll === true ? makeSure(true) : set(false))}
                    >
                        See what follows
                    </Button>
                    {lines !== stands && <Button onClick={() => keep(null)}>Discard</Button>}
                </div>
            )}
            <h3 className="mt-2 font-semibold">Try an address</h3>
            <div className="grid gap-3 sm:grid-cols-[200px_1fr]">
                <Field stacked label="Crawler" value={agent} onChange={event => setAgent(event.target.value)} />
                <Field
                    stacked
                    mono
                    label="Address"
                    value={address}
                    onChange={event => setAddress(event.target.value)}
                />
            </div>
            <ReadFailure of={tried} />
            {/* Room for what is said of an address: it comes by itself. */}
            <div className="grid min-h-[52px] content-start gap-3">
                {verdict !== undefined && (
                    <p role="status">
                        <b className={verdict.isAllowed ? 'font-semibold text-reed' : 'font-semibold text-berry'}>
                            {verdict.isAllowed ? 'Allowed' : 'Blocked'}
                        </b>
                        {verdict.line === null ? (
                            ': no line says anything of it.'
                        ) : (
                            <>
                                , by line {verdict.line}: <code className="font-mono text-[13px]">{verdict.rule}</code>
                                {verdict.group !== null &&
                                    ` of the group of ${verdict.group === '*' ? 'all crawlers' : verdict.group}`}
                                .
                            </>
                        )}
                    </p>
                )}
                {verdict !== undefined && (
                    <details>
                        <summary className="text-heron">The whole file as it would be served</summary>
                        <ol className="mt-2 max-h-[240px] overflow-auto rounded-md bg-sunk py-2 font-mono text-[12px] leading-5">
                            {verdict.robots.split('\n').map((line, n) => (
                                <li
                                    key={n}
                                    className={
                                        verdict.line === n + 1 ? 'flex gap-3 bg-heron-soft px-3' : 'flex gap-3 px-3'
                                    }
                                >
                                    <span className="w-6 text-right text-ink-3">{n + 1}</span>
                                    <span className="whitespace-pre-wrap">{line}</span>
                                </li>
                            ))}
                        </ol>
                    </details>
                )}
            </div>
            {isSure && (
                <Modal
                    open
                    alert
                    onClose={() => makeSure(false)}
                    title="Block every crawler?"
                    description="These lines keep every crawler away from the whole site. It will vanish from search results within days."
                >
                    <Alert>Mostly one page or one branch is meant: name it behind Disallow.</Alert>
                    <DialogActions className="mt-3">
                        <Button onClick={() => makeSure(false)}>Cancel</Button>
                        <Button variant="breaks" onClick={() => set(true)}>
                            Block every crawler
                        </Button>
                    </DialogActions>
                </Modal>
            )}
        </section>
    )
}
