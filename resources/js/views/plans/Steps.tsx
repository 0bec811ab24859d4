import { Sentence } from '../../app/Sentence'
import { Button } from '../../ui/Button'
import { count } from '../../ui/count'
import { Muted } from '../../ui/Muted'
import { ago } from '../../ui/time'
import type { PlanActs, PlanReview } from './usePlans'

type Props = {
    review: PlanReview
    acts: PlanActs
    chosen: ReadonlySet<string>
    onChoose: (steps: ReadonlySet<string>) => void
    canWrite: boolean
}

/** What is prepared, in the order in which it was. Those that are ticked can be applied first. */
export function Steps({ review, acts, chosen, onChoose, canWrite }: Props) {
    const turn = (step: string) => {
        const next = new Set(chosen)
        if (!next.delete(step)) next.add(step)
        onChoose(next)
    }
    if (review.steps.length === 0)
        return <Muted>Nothing is prepared yet. Work in this plan, and whatever you change becomes a step of it.</Muted>
    return (
        <section aria-label="Prepared">
            <h3 className="mb-1 font-semibold">Prepared, {count(review.steps.length, 'step')}</h3>
            <ol>
                {review.steps.map(step => (
                    <li key={step.id} className="flex items-baseline gap-3 border-t border-line py-1.5">
                        {canWrite && (
                            <input
                                type="checkbox"
                                aria-label={`Apply first: ${step.sentence.replaceAll('*', '')}`}
                                className="translate-y-0.5 accent-heron"
                                checked={chosen.has(step.id)}
                                disabled={step.refused !== null}
                                onChange={() => turn(step.id)}
                            />
                        )}
                        <span className="min-w-0 flex-1">
                            <Sentence text={step.sentence} />
                            {step.refused !== null && (
                                <span className="block text-[13px] text-berry">
                                    It can no longer be made: {step.refused}
                                </span>
                            )}
                        </span>
                        <span className="shrink-0 text-[12px] text-ink-3">
                            {step.by}, {ago(step.at)}
                        </span>
                        {canWrite && (
                            <Button
                                variant="quiet"
                                className="h-auto!"
                                disabled={acts.removeStep.isPending}
                                onClick={() => acts.removeStep.mutate(step.id)}
                            >
                                Remove
                            </Button>
                        )}
                    </li>
                ))}
            </ol>
        </section>
    )
}
