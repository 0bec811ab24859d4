import { useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { keys } from '../../api/queries'
import { useChanges } from '../../app/changes'
import { workIn } from '../../app/planned'
import type { PlansSearch } from '../../app/plansSearch'
import { RippleAccount } from '../../app/RippleAccount'
import { planRows } from '../../app/rippleRows'
import { useSite } from '../../app/site'
import { useWorked } from '../../app/useWorked'
import { Alert } from '../../ui/Alert'
import { Button } from '../../ui/Button'
import { count } from '../../ui/count'
import { Muted } from '../../ui/Muted'
import { ReadFailure } from '../../ui/ReadFailure'
import { moment } from '../../ui/time'
import { Against } from './Against'
import { PlanActs } from './PlanActs'
import { Steps } from './Steps'
import { usePlan, usePlanActs, type PlanItem } from './usePlans'

type Props = {
    plan: PlanItem
    others: PlanItem[]
    against: string | undefined
    onOpen: (search: PlansSearch) => void
    onWork: () => void
}

/** One plan: what is prepared, what contradicts, what would follow, and the way to apply it. */
export function OnePlan({ plan, others, against, onOpen, onWork }: Props) {
    const site = useSite()
    const queries = useQueryClient()
    const { propose } = useChanges()
    const worked = useWorked(site.key)
    const reading = usePlan(plan.id)
    const acts = usePlanActs(plan.id)
    const [chosen, choose] = useState<ReadonlySet<string>>(new Set())
    const review = reading.data
    const isOpen = plan.state === 'open'
    const isWorked = worked?.id === plan.id
    const leave = () => {
        workIn(null)
        void queries.resetQueries({ queryKey: keys.site(site.key) })
    }
    const work = () => {
        workIn({ site: site.key, id: plan.id, name: plan.name })
        void queries.resetQueries({ queryKey: keys.site(site.key) })
        onWork()
    }
    const switchOn = () => {
        const only = [...chosen]
        if (isWorked) leave()
        void propose({
            title:
                only.length === 0
                    ? `Applying “${plan.name}”`
                    : `Applying ${count(only.length, 'step')} of “${plan.name}”`,
            act: 'Apply plan',
            plan: only.length === 0 ? { id: plan.id } : { id: plan.id, only },
            always: true,
            done: () => choose(new Set()),
        })
    }
    const refused = review?.steps.filter(step => step.refused !== null).length ?? 0
    const stops = refused > 0 || (review?.contradictions.length ?? 0) > 0
    return (
        <div className="flex min-w-0 flex-1 flex-col">
            <div className="flex h-14 shrink-0 items-center gap-2 border-b border-line px-6">
                <h2 className="min-w-0 flex-1 truncate text-[17px] leading-6 font-bold">{plan.name}</h2>
                {isOpen && site.writes && (
                    <>
                        <PlanActs plan={plan} acts={acts} others={others} onOpen={onOpen} onLeave={leave} />
                        <Button onClick={isWorked ? leave : work}>
                            {isWorked ? 'Leave the plan' : 'Work in this plan'}
                        </Button>
                        <Button variant="main" disabled={plan.steps === 0 || stops} onClick={switchOn}>
                            {chosen.size === 0 ? 'Apply plan…' : `Apply ${count(chosen.size, 'step')}…`}
                        </Button>
                    </>
                )}
            </div>
            <div className="min-h-0 flex-1 overflow-y-auto px-6 py-4">
                <ReadFailure of={reading} className="mb-4" />
                {plan.problem !== null && <Alert className="mb-3">{plan.problem}</Alert>}
                <p className="mb-4 text-ink-2">
                    {isOpen
                        ? plan.switchAt === null
                            ? plan.description
                            : `Will be applied automatically on ${moment(plan.switchAt)}. ${plan.description}`
                        : 'Applied. The history can undo it as a whole.'}
                </p>
                {against !== undefined && (
                    <Against
                        plan={plan}
                        other={others.find(each => each.id === against)}
                        onClose={() => onOpen({ plan: plan.id })}
                    />
                )}
                {review !== undefined && isOpen && (
                    <>
                        {review.contradictions.length > 0 && (
                            <section aria-label="To decide" className="mb-5 border-l-2 border-amber pl-4">
                                <h3 className="font-semibold text-amber">Changed on the living site since</h3>
                                <ul>
                                    {review.contradictions.map(each => (
                                        <li
                                            key={each.page + each.what}
                                            className="flex flex-wrap items-center gap-x-3 gap-y-1 py-1"
                                        >
                                            <span className="min-w-0 flex-1">
                                                <b className="font-semibold">{each.name}</b>, {each.what}: it was{' '}
                                                {each.was}, is {each.is} now, and would be {each.planned}.
                                            </span>
                                            <Button
                                                disabled={acts.accept.isPending}
                                                onClick={() => acts.accept.mutate(each.page)}
                                            >
                                                Keep what the plan says
                                            </Button>
                                        </li>
                                    ))}
                                </ul>
                                <Muted>Where the living site is to stay as it is, remove the step below.</Muted>
                            </section>
                        )}
                        {review.ripple !== null && (
                            <section aria-label="What would follow" className="mb-5">
                                <h3 className="mb-2 font-semibold">What would follow today</h3>
                                <RippleAccount
                                    account={review.ripple.account}
                                    rows={planRows(site.key, { plan: { id: plan.id } })}
                                />
                            </section>
                        )}
                        <Steps review={review} acts={acts} chosen={chosen} onChoose={choose} canWrite={site.writes} />
                    </>
                )}
            </div>
        </div>
    )
}
