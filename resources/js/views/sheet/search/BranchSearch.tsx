import { useState } from 'react'
import { differing } from '../../../app/differing'
import { useChanges } from '../../../app/changes'
import { mayOn } from '../../../app/site'
import { Button } from '../../../ui/Button'
import { DialogActions } from '../../../ui/DialogActions'
import { Field } from '../../../ui/Field'
import { Muted } from '../../../ui/Muted'
import type { Schemas } from '../../../api/client'
import type { Appearance } from './draft'
import { EngineSettings } from './EngineSettings'

type Branch = Appearance['branch']

/** What all pages below inherit, and the page itself where it says nothing: seen with its ripple before it is set. */
export function BranchSearch({ sheet, branch }: { sheet: Schemas['PageSheet']; branch: Branch }) {
    const { propose } = useChanges()
    const [typed, setTyped] = useState<Partial<Branch>>({})
    const [problem, setProblem] = useState<{ field: string; reason: string } | null>(null)
    const value = { ...branch, ...typed }
    const changed = differing(typed, branch)
    const isSaid = Object.values(branch).some(each => each !== null)
    const set = () => {
        setProblem(null)
        void propose({
            title: `Setting what the branch of “${sheet.name}” tells search engines`,
            act: 'Set it for the branch',
            batch: { changes: [{ kind: 'set-branch-search', page: sheet.id, ...changed }] },
            done: () => setTyped({}),
            failed: failed => {
                const first = failed.problem.errors?.[0]
                setProblem({ field: first?.field ?? '', reason: first?.reason ?? failed.message })
            },
        })
    }
    return (
        <details className="border-t border-line pt-3" open={isSaid}>
            <summary className="font-semibold">For this page and all below it</summary>
            <div className="mt-2 grid gap-3">
                <Muted small>
                    {sheet.branch === 0
                        ? 'No page stands below it yet. What is set here is inherited as soon as one does.'
                        : `${sheet.branch} ${sheet.branch === 1 ? 'page' : 'pages'} below inherit what is set here, where they say nothing themselves.`}
                </Muted>
                <Field
                    stacked
                    label="Title pattern"
                    value={value.titlePattern ?? ''}
                    placeholder="{heading} · {parent} · {site}"
                    error={problem?.field.endsWith('titlePattern') === true ? problem.reason : undefined}
                    hint="Names: {heading}, {name}, {parent}, {section}, {site}, {summary}, or a field: {fields.price}. Empty to inherit."
                    onChange={event =>
                        setTyped(before => ({
                            ...before,
                            titlePattern: event.target.value === '' ? null : event.target.value,
                        }))
                    }
                />
                <EngineSettings
                    values={value}
                    inherited={{}}
                    listed
                    onChange={fields => setTyped(before => ({ ...before, ...fields }))}
                />
                {problem !== null && !problem.field.endsWith('titlePattern') && (
                    <p role="alert" className="text-[12px] text-berry">
                        {problem.reason}
                    </p>
                )}
                {mayOn(sheet, 'search') && (
                    <DialogActions>
                        {Object.keys(changed).length > 0 && <Button onClick={() => setTyped({})}>Discard</Button>}
                        <Button disabled={Object.keys(changed).length === 0} onClick={set}>
                            See what follows
                        </Button>
                    </DialogActions>
                )}
            </div>
        </details>
    )
}
