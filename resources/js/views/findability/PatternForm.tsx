import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { answered, api, ApiProblem, type Schemas } from '../../api/client'
import { keys } from '../../api/queries'
import { useChanges, type Change } from '../../app/changes'
import { useSite } from '../../app/site'
import { Button } from '../../ui/Button'
import { count } from '../../ui/count'
import { Field } from '../../ui/Field'
import { Muted } from '../../ui/Muted'
import { ReadFailure } from '../../ui/ReadFailure'
import { useDebounced } from '../../ui/useDebounced'
import { useKept } from '../../ui/useKept'
import type { OpenPage } from './search'

export type Scope = Schemas['PatternScope']
type Typed = { titlePattern?: string; descriptionPattern?: string }

/** The patterns of one scope as they are typed, and what they would make of ten pages. */
export function PatternForm({ scope, name, onPage }: { scope: Scope; name: string; onPage: OpenPage }) {
    const site = useSite()
    const { propose } = useChanges()
    const [blank] = useState<Typed>({})
    const [typed, keep] = useKept<Typed>(
        `heronstem pattern ${site.key} ${scope.scope} ${scope.page ?? scope.name}`,
        blank,
    )
    const [refused, refuse] = useState('')
    const stands = {
        titlePattern: scope.settings.titlePattern ?? '',
        descriptionPattern: scope.settings.descriptionPattern ?? '',
    }
    const value = { ...stands, ...typed }
    const isChanged =
        value.titlePattern !== stands.titlePattern || value.descriptionPattern !== stands.descriptionPattern
    const orNull = (text: string) => (text.trim() === '' ? null : text)
    const patterns = {
        titlePattern: orNull(value.titlePattern),
        descriptionPattern: orNull(value.descriptionPattern),
    }
    const asked = useDebounced(
        JSON.stringify({
            branch: scope.scope === 'branch' ? scope.page : null,
            layout: scope.scope === 'layout' ? scope.name : null,
            ...patterns,
        }),
        200,
    )
    const tried = useQuery({
        queryKey: [...keys.site(site.key), 'pattern-tried', asked],
        queryFn: ({ signal }) =>
            answered(
                api.POST('/sites/{site}/patterns/tried', {
                    params: { path: { site: site.key } },
                    body: JSON.parse(asked) as Schemas['PatternToTry'],
                    signal,
                }),
            ),
        placeholderData: keepPreviousData,
        retry: false,
    })
    const errors = tried.error instanceof ApiProblem ? (tried.error.problem.errors ?? []) : []
    const reasonOf = (field: string) => errors.find(each => each.field === field)?.reason
    const change: Change =
        scope.scope === 'branch'
            ? { kind: 'set-branch-search', page: scope.page ?? '', ...patterns }
            : { kind: 'set-site-search', ...patterns, ...(scope.scope === 'layout' ? { layout: scope.name } : {}) }
    const set = () =>
        void propose({
            title: `Setting the patterns of ${name}`,
            act: 'Set the patterns',
            batch: { changes: [change] },
            done: () => keep(null),
            failed: problem => refuse(problem.problem.errors?.[0]?.reason ?? problem.message),
        })
    return (
        <form
            className="grid gap-4"
            onSubmit={event => {
                event.preventDefault()
                refuse('')
                set()
            }}
        >
            <fieldset disabled={!site.may('search')} className="grid gap-3">
                <Field
                    stacked
                    label="Title pattern"
                    value={value.titlePattern}
                    placeholder={scope.scope === 'site' ? '{heading} · {site}' : 'inherited'}
                    error={reasonOf('titlePattern')}
                    hint="{heading}, {name}, {parent}, {section}, {site}, {summary} and fields ({fields.price}) are filled for every page. Empty to inherit."
                    onChange={event => keep({ ...typed, titlePattern: event.target.value })}
                />
                <Field
                    stacked
                    label="Description pattern"
                    value={value.descriptionPattern}
                    placeholder="none: the summary, or the first sentences"
                    error={reasonOf('descriptionPattern')}
                    onChange={event => keep({ ...typed, descriptionPattern: event.target.value })}
                />
            </fieldset>
            {refused !== '' && (
                <p role="alert" className="text-berry">
                    {refused}
                </p>
            )}
            {site.may('search') && (
                <div className="flex gap-2">
                    <Button type="submit" variant="main" disabled={!isChanged || errors.length > 0}>
                        See what follows
                    </Button>
                    {isChanged && <Button onClick={() => keep(null)}>Discard</Button>}
                </div>
            )}
            {errors.length === 0 && <ReadFailure of={tried} />}
            {tried.data !== undefined && <Sample sample={tried.data} onPage={onPage} />}
        </form>
    )
}

function Sample({ sample, onPage }: { sample: Schemas['PatternSample']; onPage: OpenPage }) {
    return (
        <section aria-label="Sample">
            <p role="status" className="mb-1">
                {sample.pages === 0
                    ? 'No page gets its title by this pattern: each has one of its own, or a nearer pattern.'
                    : `${count(sample.pages, 'page')} ${sample.pages === 1 ? 'gets its' : 'get their'} title by a pattern here; ${sample.changed === 0 ? 'none changes' : `${sample.changed.toLocaleString('en-GB')} would change`}, ${sample.cut === 0 ? 'none would be cut' : `${sample.cut.toLocaleString('en-GB')} would be cut`}.`}
            </p>
            <ul>
                {sample.sample.map(each => (
                    <li
                        key={each.page}
                        className="grid grid-cols-[180px_1fr_80px] items-baseline gap-3 border-t border-line py-1.5"
                    >
                        <button
                            type="button"
                            onClick={() => onPage(each.page, 'search')}
                            className="truncate text-left text-heron hover:underline"
                        >
                            {each.name}
                        </button>
                        <span className="min-w-0">
                            <span className="block truncate font-semibold">{each.shown}</span>
                            {each.before !== each.after && (
                                <span className="block truncate text-[12px] text-ink-3">now: {each.before}</span>
                            )}
                            {each.description !== null && (
                                <span className="block truncate text-[12px] text-ink-2">{each.description}</span>
                            )}
                        </span>
                        <span className={each.isCut ? 'text-right text-amber' : 'text-right text-ink-3'}>
                            {Math.round(each.width)} px{each.isCut && ', cut'}
                        </span>
                    </li>
                ))}
            </ul>
            {sample.pages > sample.sample.length && (
                <Muted small>Ten of them: those that would be cut first, then those that would change.</Muted>
            )}
        </section>
    )
}
