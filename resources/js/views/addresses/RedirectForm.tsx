import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { ApiProblem } from '../../api/client'
import { planOf } from '../../app/batches'
import type { Change } from '../../app/changes'
import { heldBy } from '../../app/conflicts'
import { FileDialog } from '../../app/FileChooser'
import { noteWords } from '../../app/noteWords'
import { PickPage } from '../../app/PickPage'
import { useSite } from '../../app/site'
import { Button } from '../../ui/Button'
import { Field, FieldFrame, inputClasses } from '../../ui/Field'
import { fieldMoment } from '../../ui/time'
import { useDebounced } from '../../ui/useDebounced'
import { blankPause, fieldsOf, isFull, type Draft } from './draft'
import { PauseMessage } from './PauseMessage'
import { answers } from './labels'
import { Alert } from '../../ui/Alert'
import { Choice } from '../../ui/Choice'

type Props = {
    draft: Draft
    kind: 'make-redirect' | 'change-redirect'
    writes: boolean
    isTyped?: boolean
    onDraft: (draft: Draft) => void
}

export const changeOf = (kind: Props['kind'], draft: Draft): Change =>
    kind === 'make-redirect'
        ? { kind, redirect: draft.id, ...fieldsOf(draft) }
        : { kind, redirect: draft.id, ...fieldsOf(draft) }

/** The fields of a redirect, and as they are typed what the rule would hide, break or lead round. */
export function RedirectForm({ draft, kind, writes, isTyped = true, onDraft }: Props) {
    const site = useSite()
    const [picking, setPicking] = useState<'page' | 'file' | null>(null)
    const set = (fields: Partial<Draft>) => onDraft({ ...draft, ...fields })
    const pause = draft.pause ?? blankPause
    const asked = useDebounced(JSON.stringify(changeOf(kind, draft)), 200)
    const { data: ripple, error } = useQuery({
        queryKey: ['redirect-planned', site.key, asked],
        queryFn: () => planOf(site.key, { batch: { changes: [JSON.parse(asked) as Change] } }),
        enabled: isFull(draft) && writes && isTyped,
        retry: false,
        staleTime: 0,
    })
    const problem = error instanceof ApiProblem && isFull(draft) ? error : null
    const reasonOf = (...fields: string[]) =>
        problem?.problem.errors?.find(each => fields.some(field => each.field === `changes.0.${field}`))?.reason
    const known = ['source', 'address', 'leadsTo', 'from', 'until', 'note', 'pause.seconds']
    const other = problem?.problem.errors?.find(
        each => !known.some(field => each.field === `changes.0.${field}`) && each.field !== 'changes.0.redirect',
    )?.reason
    const isPattern = draft.scope === 'pattern'
    return (
        <fieldset disabled={!writes} className="grid gap-3">
            <div role="radiogroup" aria-label="What it answers for" className="flex gap-4">
                {(
                    [
                        ['one', 'One address'],
                        ['branch', 'A whole branch'],
                        ['pattern', 'A pattern'],
                    ] as const
                ).map(([scope, word]) => (
                    <label key={scope} className="flex items-center gap-1.5">
                        <input
                            type="radio"
                            name={`scope-${draft.id}`}
                            className="accent-heron"
                            checked={draft.scope === scope}
                            onChange={() => set({ scope })}
                        />
                        {word}
                    </label>
                ))}
            </div>
            <Field
                stacked
                mono
                label={isPattern ? 'Pattern' : 'Address'}
                placeholder={isPattern ? '/news/:year/:slug' : '/dogs'}
                value={draft.source}
                error={reasonOf('source', 'address')}
                hint={
                    isPattern
                        ? 'URLPattern: :name for a segment, * for anything, (\\d+) for an expression. What is caught goes into the target by name, or :0, :1 …'
                        : draft.scope === 'branch'
                          ? 'This address and everything below it.'
                          : undefined
                }
                onChange={event => set({ source: event.target.value })}
            />
            <FieldFrame stacked label="Answer" hint={answers.find(([answer]) => answer === draft.answer)?.[2]}>
                {({ id }) => (
                    <select
                        id={id}
                        className={inputClasses}
                        value={draft.answer}
                        onChange={event => set({ answer: event.target.value as Draft['answer'] })}
                    >
                        {answers.map(([answer, word]) => (
                            <option key={answer} value={answer}>
                                {word}
                                {answer === 'pause' ? '' : ` (${answer})`}
                            </option>
                        ))}
                    </select>
                )}
            </FieldFrame>
            {draft.answer !== '410' && (
                <FieldFrame stacked label="Leads to" error={reasonOf('leadsTo')}>
                    {({ id }) => (
                        <div className="grid grid-cols-[118px_1fr] gap-2">
                            <select
                                aria-label="Kind of target"
                                className={inputClasses}
                                value={draft.way}
                                onChange={event =>
                                    set({ way: event.target.value as Draft['way'], value: '', valueName: '' })
                                }
                            >
                                <option value="page">a page</option>
                                <option value="address">an address</option>
                                <option value="url">elsewhere</option>
                                <option value="file">a file</option>
                            </select>
                            {draft.way === 'page' || draft.way === 'file' ? (
                                <span className="flex min-w-0 items-center justify-between gap-2">
                                    <span className="truncate">
                                        {draft.value === '' ? (
                                            <span className="text-ink-3">none chosen</span>
                                        ) : draft.valueName === '' ? (
                                            'chosen'
                                        ) : (
                                            draft.valueName
                                        )}
                                    </span>
                                    <Button onClick={() => setPicking(draft.way === 'page' ? 'page' : 'file')}>
                                        Choose…
                                    </Button>
                                </span>
                            ) : (
                                <input
                                    id={id}
                                    aria-label="Target"
                                    className={`${inputClasses} font-mono text-[13px]`}
                                    placeholder={draft.way === 'url' ? 'https://' : '/'}
                                    value={draft.value}
                                    onChange={event => set({ value: event.target.value })}
                                />
                            )}
                        </div>
                    )}
                </FieldFrame>
            )}
            {draft.answer === 'pause' && (
                <>
                    <FieldFrame stacked label="Message">
                        {() => (
                            <PauseMessage
                                message={pause.message}
                                disabled={!writes}
                                onMessage={message => set({ pause: { ...pause, message } })}
                            />
                        )}
                    </FieldFrame>
                    <Field
                        stacked
                        type="number"
                        min={0}
                        max={60}
                        label="Seconds"
                        value={pause.seconds}
                        error={reasonOf('pause.seconds')}
                        onChange={event => set({ pause: { ...pause, seconds: Number(event.target.value) } })}
                    />
                </>
            )}
            <Field
                stacked
                label="Note"
                placeholder="Why it exists, and for whom"
                value={draft.note}
                error={reasonOf('note')}
                onChange={event => set({ note: event.target.value })}
            />
            <details
                className="rounded border border-line px-3 py-2"
                open={
                    draft.from !== null ||
                    draft.until !== null ||
                    draft.inFront ||
                    draft.query !== 'carry' ||
                    !draft.carriesRest ||
                    !draft.isOn
                }
            >
                <summary className="cursor-pointer text-ink-2">When, query, and what comes first</summary>
                <div className="mt-2 grid gap-3">
                    <div className="grid grid-cols-2 gap-2">
                        <Field
                            stacked
                            type="datetime-local"
                            label="From"
                            value={fieldMoment(draft.from, site.zone)}
                            error={reasonOf('from')}
                            onChange={event => set({ from: event.target.value === '' ? null : event.target.value })}
                        />
                        <Field
                            stacked
                            type="datetime-local"
                            label="Until"
                            value={fieldMoment(draft.until, site.zone)}
                            error={reasonOf('until')}
                            onChange={event => set({ until: event.target.value === '' ? null : event.target.value })}
                        />
                    </div>
                    <FieldFrame
                        stacked
                        label="Query"
                        hint={
                            draft.query === 'match'
                                ? 'Write it behind a question mark in the address: /offer?id=3. Requests without it are answered as if the rule were not there.'
                                : undefined
                        }
                    >
                        {({ id }) => (
                            <select
                                id={id}
                                className={inputClasses}
                                value={draft.query}
                                onChange={event => set({ query: event.target.value as Draft['query'] })}
                            >
                                <option value="carry">taken along</option>
                                <option value="drop">left away</option>
                                <option value="match">looked at: only requests with it</option>
                            </select>
                        )}
                    </FieldFrame>
                    {draft.scope === 'branch' && (
                        <Choice
                            checked={draft.carriesRest}
                            onChange={event => set({ carriesRest: event.target.checked })}
                        >
                            The rest of the path goes along
                        </Choice>
                    )}
                    <Choice checked={draft.inFront} onChange={event => set({ inFront: event.target.checked })}>
                        Answers before a page that is there
                    </Choice>
                    <Choice checked={draft.isOn} onChange={event => set({ isOn: event.target.checked })}>
                        On
                    </Choice>
                </div>
            </details>
            {other !== undefined && <Alert>{other}</Alert>}
            {ripple !== undefined &&
                problem === null &&
                (ripple.conflicts.length > 0 || ripple.account.notes.length > 0) && (
                    <ul aria-label="Worth knowing" className="grid gap-1 border-l-2 border-amber pl-3 text-[13px]">
                        {ripple.conflicts.map(conflict => (
                            <li key={conflict.address}>{heldBy(conflict)}</li>
                        ))}
                        {ripple.account.notes.map(note => (
                            <li key={note.kind + note.page}>{noteWords(note)}</li>
                        ))}
                    </ul>
                )}
            <PickPage
                open={picking === 'page'}
                title="Where it leads"
                onClose={() => setPicking(null)}
                onPick={page => {
                    set({ value: page.id, valueName: page.name })
                    setPicking(null)
                }}
            />
            {picking === 'file' && (
                <FileDialog
                    title="Where it leads"
                    onClose={() => setPicking(null)}
                    onFile={file => {
                        set({ value: file.id, valueName: file.name })
                        setPicking(null)
                    }}
                />
            )}
        </fieldset>
    )
}
