import { MomentField } from '../../ui/MomentField'
import { useSite } from '../../app/site'
import { Choice } from '../../ui/Choice'
import { FieldFrame } from '../../ui/Field'
import { Select } from '../../ui/Select'
import { fieldMoment } from '../../ui/time'
import type { Draft } from './draft'

const queries: [Draft['query'], string][] = [
    ['carry', 'kept in the target'],
    ['drop', 'dropped'],
    ['match', 'must be there: only requests with it'],
]

const areUsual = ({ from, inFront, query, carriesRest, isOn }: Draft) =>
    from === null && !inFront && query === 'carry' && carriesRest && isOn

/** When a redirect holds, what it does with the query, and what it comes before: folded while nothing unusual is set. */
export function RedirectTerms({
    draft,
    reasonOf,
    onDraft,
}: {
    draft: Draft
    reasonOf: (...fields: string[]) => string | undefined
    onDraft: (fields: Partial<Draft>) => void
}) {
    const site = useSite()
    const moment = (label: string, field: 'from' | 'until') => (
        <MomentField
            stacked
            label={label}
            value={fieldMoment(draft[field], site.zone)}
            error={reasonOf(field)}
            onChange={value => onDraft({ [field]: value === '' ? null : value })}
        />
    )
    const choice = (label: string, field: 'carriesRest' | 'inFront' | 'isOn') => (
        <Choice checked={draft[field]} onChange={event => onDraft({ [field]: event.target.checked })}>
            {label}
        </Choice>
    )
    return (
        <details className="rounded border border-line px-3 py-2" open={!areUsual(draft)}>
            <summary className="cursor-pointer text-ink-2">Dates, query and priority</summary>
            <div className="mt-2 grid gap-3">
                {moment('From', 'from')}
                <FieldFrame
                    stacked
                    label="Query"
                    hint={
                        draft.query === 'match'
                            ? 'Write it after a question mark in the address: /offer?id=3. For requests without it the redirect does not apply.'
                            : undefined
                    }
                >
                    {({ id }) => (
                        <Select id={id} value={draft.query} choices={queries} onChoose={query => onDraft({ query })} />
                    )}
                </FieldFrame>
                {draft.scope === 'branch' && choice('Append the remaining path', 'carriesRest')}
                {choice('Overrides a page at this address', 'inFront')}
                {choice('On', 'isOn')}
            </div>
        </details>
    )
}
