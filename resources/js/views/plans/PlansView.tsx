import clsx from 'clsx'
import { useState } from 'react'
import { ApiProblem } from '../../api/client'
import type { PlansSearch } from '../../app/plansSearch'
import { useAsked } from '../../app/asked'
import { useSite } from '../../app/site'
import { Button } from '../../ui/Button'
import { count } from '../../ui/count'
import { DialogActions } from '../../ui/DialogActions'
import { Field } from '../../ui/Field'
import { Modal } from '../../ui/Modal'
import { Muted } from '../../ui/Muted'
import { PageTitle } from '../../ui/PageTitle'
import { ReadFailure } from '../../ui/ReadFailure'
import { ago, moment } from '../../ui/time'
import { OnePlan } from './OnePlan'
import { useMakePlan, usePlans, type PlanItem } from './usePlans'

type Props = { search: PlansSearch; onOpen: (search: PlansSearch) => void; onWork: () => void }

/** Changes prepared beside the living site: the plans at the left, the one that is open beside them. */
export function PlansView({ search, onOpen, onWork }: Props) {
    const site = useSite()
    const plans = usePlans()
    const [making, make] = useState(false)
    useAsked(({ what }) => {
        if (what === 'new-plan') make(true)
        return what === 'new-plan'
    })
    const all = plans.data ?? []
    const open = all.find(plan => plan.id === search.plan)
    return (
        <main aria-label="Plans" className="flex h-full min-h-0">
            <div className="flex w-[272px] shrink-0 flex-col border-r border-line">
                <div className="flex h-14 shrink-0 items-center justify-between border-b border-line px-4">
                    <PageTitle>Plans</PageTitle>
                    {site.writes && <Button onClick={() => make(true)}>New plan</Button>}
                </div>
                <div className="min-h-0 flex-1 overflow-y-auto">
                    <ReadFailure of={plans} className="m-4" />
                    <ul aria-label="Plans of the site">
                        {all.map(plan => (
                            <li key={plan.id} className="border-b border-line">
                                <button
                                    type="button"
                                    aria-current={plan.id === search.plan ? 'true' : undefined}
                                    onClick={() => onOpen({ plan: plan.id })}
                                    className={clsx(
                                        'grid w-full gap-0.5 px-4 py-2.5 text-left',
                                        plan.id === search.plan ? 'bg-heron-soft' : 'hover:bg-sunk',
                                    )}
                                >
                                    <span className="truncate font-semibold">{plan.name}</span>
                                    <span className="text-[12px] text-ink-3">{stateWords(plan)}</span>
                                </button>
                            </li>
                        ))}
                    </ul>
                </div>
            </div>
            {open === undefined ? (
                <div className="grid max-w-[560px] content-start gap-2 px-8 py-8">
                    {/* Two lines kept for it: whether there are plans is known when they have come. */}
                    <p className="min-h-[40px]">
                        {plans.data !== undefined && all.length === 0
                            ? 'No plan yet. In a plan you prepare changes beside the living site: move, rename, write, arrange menus, as you do here.'
                            : 'Choose a plan to see what is prepared in it.'}
                    </p>
                    <Muted>
                        The plan says at any time what it would do, and what was changed on the living site since.
                        Others see the site as it would be under a secret link. It is applied in one step, now or at a
                        set time, and can be undone as a whole.
                    </Muted>
                </div>
            ) : (
                <OnePlan
                    key={open.id}
                    plan={open}
                    others={all.filter(plan => plan.id !== open.id && plan.state === 'open')}
                    against={search.against}
                    onOpen={onOpen}
                    onWork={onWork}
                />
            )}
            {making && <NewPlan onClose={() => make(false)} onMade={plan => onOpen({ plan: plan.id })} />}
        </main>
    )
}

function stateWords(plan: PlanItem) {
    if (plan.state === 'applied') return `applied ${ago(plan.changed)}`
    const steps = plan.steps === 0 ? 'nothing prepared yet' : count(plan.steps, 'step')
    if (plan.problem !== null) return `${steps} · could not be applied`
    return plan.switchAt === null ? steps : `${steps} · from ${moment(plan.switchAt)}`
}

function NewPlan({ onClose, onMade }: { onClose: () => void; onMade: (plan: PlanItem) => void }) {
    const [name, setName] = useState('')
    const [description, describe] = useState('')
    const make = useMakePlan(plan => {
        onClose()
        onMade(plan)
    })
    const problem = make.error instanceof ApiProblem ? make.error : null
    return (
        <Modal
            open
            onClose={onClose}
            title="New plan"
            description="Nothing of it is seen by visitors until you apply it."
        >
            <form
                noValidate
                className="grid gap-3"
                onSubmit={event => {
                    event.preventDefault()
                    make.mutate({ name, description })
                }}
            >
                <Field
                    label="Name"
                    autoFocus
                    value={name}
                    error={problem?.reasonFor('name')?.reason ?? (problem === null ? undefined : problem.message)}
                    onChange={event => setName(event.target.value)}
                />
                <Field
                    label="What for"
                    value={description}
                    error={problem?.reasonFor('description')?.reason}
                    onChange={event => describe(event.target.value)}
                />
                <DialogActions>
                    <Button onClick={onClose}>Cancel</Button>
                    <Button type="submit" variant="main" disabled={name.trim() === '' || make.isPending}>
                        Make plan
                    </Button>
                </DialogActions>
            </form>
        </Modal>
    )
}
