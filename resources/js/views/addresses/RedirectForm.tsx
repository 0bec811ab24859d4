import { heldBy } from '../../app/conflicts'
import { noteWords } from '../../app/noteWords'
import { Alert } from '../../ui/Alert'
import { Choice } from '../../ui/Choice'
import { Field, FieldFrame } from '../../ui/Field'
import { Select } from '../../ui/Select'
import { blankPause, type Draft } from './draft'
import { answers } from './labels'
import { PauseMessage } from './PauseMessage'
import { RedirectSpan } from './RedirectSpan'
import { RedirectTarget } from './RedirectTarget'
import { RedirectTerms } from './RedirectTerms'
import { useRedirectPlan } from './useRedirectPlan'

type Props = {
    draft: Draft
    kind: 'make-redirect' | 'change-redirect'
    writes: boolean
    isTyped?: boolean
    onDraft: (draft: Draft) => void
}

const scopes = [
    ['one', 'One address'],
    ['branch', 'A whole branch'],
    ['pattern', 'A pattern'],
] as const

const sourceHints: Record<Draft['scope'], string | undefined> = {
    one: undefined,
    branch: 'This address and everything below it.',
    pattern:
        'URLPattern: :name for a segment, * for anything, (\\d+) for an expression. Use captures in the target as :name, or :0, :1 …',
}

const answerChoices = answers.map(
    ([answer, name]) => [answer, answer === 'pause' ? name : `${name} (${answer})`] as const,
)

/** The fields of a redirect, and as they are typed what the rule would hide, break or lead round. */
export function RedirectForm({ draft, kind, writes, isTyped = true, onDraft }: Props) {
    const { ripple, reasonOf, otherwise } = useRedirectPlan(kind, draft, writes && isTyped)
    const set = (fields: Partial<Draft>) => onDraft({ ...draft, ...fields })
    const pause = draft.pause ?? blankPause
    const isPattern = draft.scope === 'pattern'
    return (
        <fieldset disabled={!writes} className="grid gap-3">
            <div role="radiogroup" aria-label="Applies to" className="flex gap-4">
                {scopes.map(([scope, label]) => (
                    <Choice
                        key={scope}
                        type="radio"
                        name={`scope-${draft.id}`}
                        checked={draft.scope === scope}
                        onChange={() => set({ scope })}
                    >
                        {label}
                    </Choice>
                ))}
            </div>
            <Field
                stacked
                mono
                label={isPattern ? 'Pattern' : 'Address'}
                placeholder={isPattern ? '/news/:year/:slug' : '/dogs'}
                value={draft.source}
                error={reasonOf('source', 'address')}
                hint={sourceHints[draft.scope]}
                onChange={event => set({ source: event.target.value })}
            />
            <FieldFrame stacked label="Answer" hint={answers.find(([answer]) => answer === draft.answer)?.[2]}>
                {({ id, describedBy }) => (
                    <Select
                        id={id}
                        aria-describedby={describedBy}
                        value={draft.answer}
                        choices={answerChoices}
                        onChoose={answer => set({ answer })}
                    />
                )}
            </FieldFrame>
            {draft.answer !== '410' && <RedirectTarget target={draft} error={reasonOf('leadsTo')} onTarget={set} />}
            {draft.answer === 'pause' && (
                <>
                    <div className="grid gap-1">
                        <span className="text-ink-2">Message</span>
                        <PauseMessage
                            message={pause.message}
                            disabled={!writes}
                            onMessage={message => set({ pause: { ...pause, message } })}
                        />
                    </div>
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
            <RedirectSpan
                until={draft.until}
                isPermanent={['301', '308'].includes(draft.answer)}
                error={reasonOf('until')}
                onUntil={until => set({ until })}
            />
            <Field
                stacked
                label="Note"
                placeholder="Why it exists, and for whom"
                value={draft.note}
                error={reasonOf('note')}
                onChange={event => set({ note: event.target.value })}
            />
            <RedirectTerms draft={draft} reasonOf={reasonOf} onDraft={set} />
            {otherwise !== undefined && <Alert>{otherwise}</Alert>}
            {ripple !== undefined && (ripple.conflicts.length > 0 || ripple.account.notes.length > 0) && (
                <ul aria-label="Good to know" className="grid gap-1 border-l-2 border-amber pl-3 text-[13px]">
                    {ripple.conflicts.map(conflict => (
                        <li key={conflict.address}>{heldBy(conflict)}</li>
                    ))}
                    {ripple.account.notes.map(note => (
                        <li key={note.kind + note.page}>{noteWords(note)}</li>
                    ))}
                </ul>
            )}
        </fieldset>
    )
}
