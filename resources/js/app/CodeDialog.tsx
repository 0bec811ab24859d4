import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { answered, api } from '../api/client'
import { keys } from '../api/queries'
import { Button } from '../ui/Button'
import { DialogActions } from '../ui/DialogActions'
import { inputClasses } from '../ui/Field'
import { Modal } from '../ui/Modal'
import { Muted } from '../ui/Muted'
import { ReadFailure } from '../ui/ReadFailure'
import { useDebounced } from '../ui/useDebounced'
import { useKept } from '../ui/useKept'
import type { Change } from './batches'
import { useChanges } from './changes'
import { useSite } from './site'

type Part = 'styles' | 'head'
type Props = {
    /** Null for the head of every page of the site. */
    page: { id: string; name: string } | null
    onClose: () => void
}

const nothing: Partial<Record<Part, string>> = {}

/** Styles and head code written by hand: checked while they are typed, with what they allow browsers to do. Owners write, others look. */
export function CodeDialog({ page, onClose }: Props) {
    const site = useSite()
    const { propose } = useChanges()
    const standing = useQuery({
        queryKey: [...keys.site(site.key), 'code', page?.id],
        queryFn: () =>
            page === null
                ? answered(api.GET('/sites/{site}/head', { params: { path: { site: site.key } } }))
                : answered(
                      api.GET('/sites/{site}/pages/{page}/code', {
                          params: { path: { site: site.key, page: page.id } },
                      }),
                  ),
    })
    const [typed, keep] = useKept(`heronstem.code.${site.key}.${page?.id ?? ''}`, nothing)
    const [refused, setRefused] = useState<string | null>(null)
    const now = {
        styles: typed.styles ?? standing.data?.styles ?? '',
        head: typed.head ?? standing.data?.head ?? '',
    }
    const settled = useDebounced(JSON.stringify(now), 250)
    const read = useQuery({
        queryKey: [...keys.site(site.key), 'code-read', settled],
        queryFn: ({ signal }) =>
            answered(
                api.POST('/sites/{site}/code-read', {
                    params: { path: { site: site.key } },
                    body: JSON.parse(settled) as typeof now,
                    signal,
                }),
            ),
        enabled: standing.data !== undefined,
        placeholderData: keepPreviousData,
    })
    const owns = site.maySomewhere('code')
    const changed = (['styles', 'head'] as const).filter(part => standing.data && now[part] !== standing.data[part])
    const problemOf = (part: Part) => read.data?.problems.find(problem => problem.field === part)?.reason
    const save = () => {
        setRefused(null)
        const change: Change =
            page === null
                ? { kind: 'set-site-head', head: now.head }
                : { kind: 'set-code', page: page.id, ...Object.fromEntries(changed.map(part => [part, now[part]])) }
        void propose({
            title: page === null ? 'Changing the head code of all pages' : `Changing the code of ${page.name}`,
            act: 'Save code',
            batch: { changes: [change] },
            // What it allows was said here.
            now: true,
            done: () => {
                keep(null)
                onClose()
            },
            failed: problem => setRefused(problem.message),
        })
    }
    const area = (part: Part, label: string, hint: string, rows: number) => {
        const problem = problemOf(part)
        return (
            <label className="grid gap-1">
                <span className="font-semibold">{label}</span>
                <textarea
                    aria-label={label}
                    rows={rows}
                    spellCheck={false}
                    readOnly={!owns}
                    value={now[part]}
                    aria-invalid={problem !== undefined}
                    onChange={event => keep({ ...typed, [part]: event.target.value })}
                    className={`${inputClasses} h-auto! py-1.5 font-mono text-[13px] leading-5`}
                />
                {problem === undefined ? (
                    <Muted small>{hint}</Muted>
                ) : (
                    <span role="alert" className="text-[12px] text-berry">
                        {problem}
                    </span>
                )}
            </label>
        )
    }
    return (
        <Modal
            open
            onClose={onClose}
            title={page === null ? 'Head code of all pages' : `Code of ${page.name}`}
            width={640}
        >
            <ReadFailure of={standing} />
            {standing.data !== undefined && (
                <form
                    className="grid gap-4"
                    onSubmit={event => {
                        event.preventDefault()
                        save()
                    }}
                >
                    {!owns && <Muted>The owner of the site writes this. You can look at it.</Muted>}
                    {page !== null &&
                        area(
                            'styles',
                            'Styles',
                            'CSS for this page alone; menus and footer stay as the design has them.',
                            8,
                        )}
                    {area('head', 'Head code', 'meta, link, JSON-LD and script.', 6)}
                    <section aria-label="What this allows" className="rounded bg-sunk px-3 py-2">
                        <h3 className="text-[13px] font-semibold">What this allows browsers</h3>
                        {(read.data?.allows ?? []).length === 0 ? (
                            <p className="text-[13px] text-ink-2">Nothing besides what the site allows anyway.</p>
                        ) : (
                            <ul className="list-disc pl-4 text-[13px] text-ink-2">
                                {read.data?.allows.map(sentence => (
                                    <li key={sentence}>{sentence}</li>
                                ))}
                            </ul>
                        )}
                    </section>
                    {refused !== null && (
                        <p role="alert" className="text-berry">
                            {refused}
                        </p>
                    )}
                    <DialogActions>
                        {owns && changed.length > 0 && <Button onClick={() => keep(null)}>Discard changes</Button>}
                        <Button onClick={onClose}>{owns ? 'Cancel' : 'Close'}</Button>
                        {owns && (
                            <Button
                                type="submit"
                                variant="main"
                                disabled={changed.length === 0 || (read.data?.problems ?? []).length > 0}
                            >
                                Save code
                            </Button>
                        )}
                    </DialogActions>
                </form>
            )}
        </Modal>
    )
}
