import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import type { ApiProblem } from '../../api/client'
import { pageQuery } from '../../api/queries'
import { PickPage } from '../../app/PickPage'
import type { ReplaceSearch } from '../../app/replaceSearch'
import { useSite } from '../../app/site'
import { Button } from '../../ui/Button'
import { Choice } from '../../ui/Choice'
import { count } from '../../ui/count'
import { Field, FieldFrame } from '../../ui/Field'
import { Select } from '../../ui/Select'
import { parts, ways, type Part } from './parts'

type Props = { search: ReplaceSearch; set: (change: Partial<ReplaceSearch>) => void; problem: ApiProblem | null }

/** What is looked for, what takes its place, and where. */
export function ReplaceForm({ search, set, problem }: Props) {
    const site = useSite()
    const [picking, pick] = useState(false)
    const chosen = new Set<Part>(
        search.parts === undefined ? parts.map(([part]) => part) : (search.parts.split(',') as Part[]),
    )
    const turn = (part: Part) => {
        const next = parts.map(([each]) => each).filter(each => (each === part ? !chosen.has(each) : chosen.has(each)))
        set({ parts: next.length === parts.length ? undefined : next.join(',') })
    }
    const text = (value: string) => (value === '' ? undefined : value)
    const where = search.pages !== undefined ? 'pages' : search.branch !== undefined ? 'branch' : 'site'
    const branch = useQuery({ ...pageQuery(site.key, search.branch ?? ''), enabled: search.branch !== undefined })
    const branchName = branch.data?.sheet.name ?? '…'
    return (
        <form className="grid content-start gap-3.5" onSubmit={event => event.preventDefault()}>
            <Field
                stacked
                label="Find"
                autoFocus
                value={search.find ?? ''}
                error={problem?.reasonFor('find')?.reason}
                onChange={event => set({ find: text(event.target.value) })}
            />
            <Field
                stacked
                label="Replace with"
                value={search.with ?? ''}
                error={problem?.reasonFor('with')?.reason}
                hint={search.way === 'pattern' ? '$1 stands for what is in the first parentheses.' : undefined}
                onChange={event => set({ with: text(event.target.value) })}
            />
            <FieldFrame stacked label="Match">
                {({ id }) => (
                    <Select
                        id={id}
                        value={search.way ?? 'plain'}
                        choices={ways.map(([way, label]) => [way as string, label] as const)}
                        onChoose={way => set({ way: way === 'plain' ? undefined : way })}
                    />
                )}
            </FieldFrame>
            <Choice
                checked={search.case === true}
                onChange={event => set({ case: event.target.checked ? true : undefined })}
            >
                Capitals must match
            </Choice>
            <fieldset className="grid gap-1.5">
                <legend className="mb-1 text-ink-2">In</legend>
                {parts.map(([part, label]) => (
                    <Choice key={part} checked={chosen.has(part)} onChange={() => turn(part)}>
                        {label}
                    </Choice>
                ))}
            </fieldset>
            <fieldset className="grid justify-items-start gap-1.5">
                <legend className="mb-1 text-ink-2">Of</legend>
                <Choice
                    type="radio"
                    name="where"
                    checked={where === 'site'}
                    onChange={() => set({ branch: undefined, pages: undefined })}
                >
                    the whole site
                </Choice>
                <Choice type="radio" name="where" checked={where === 'branch'} onChange={() => pick(true)}>
                    {where === 'branch' ? `${branchName} and what is below` : 'a branch…'}
                </Choice>
                {where === 'branch' && (
                    <Button variant="quiet" onClick={() => pick(true)}>
                        Another branch…
                    </Button>
                )}
                {search.pages !== undefined && (
                    <Choice type="radio" name="where" checked readOnly>
                        {count(search.pages.split(',').length, 'marked page')}
                    </Choice>
                )}
            </fieldset>
            <PickPage
                open={picking}
                title="Look in the branch of"
                onClose={() => pick(false)}
                onPick={page => {
                    set({ branch: page.id, pages: undefined })
                    pick(false)
                }}
            />
        </form>
    )
}
