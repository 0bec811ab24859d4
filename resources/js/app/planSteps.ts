import { createElement } from 'react'
import { answered, api } from '../api/client'
import type { Batch, Switched } from './batches'
import { notify } from './notify'
import { workedOn, type Worked } from './planned'
import { Sentence } from './Sentence'

/** Switches a plan on, or some of its steps. */
export const switchOn = (site: string, plan: Switched, digest: string, note: string) =>
    answered(
        api.POST('/sites/{site}/plans/{plan}/switched', {
            params: { path: { site, plan: plan.id } },
            body: { digest, note, ...(plan.only === undefined ? {} : { only: plan.only }) },
        }),
    )

/** Takes a step away from the plan that one works in. */
export async function removeStep(site: string, step: string) {
    const worked = workedOn(site)
    if (worked === null) return
    try {
        await answered(
            api.DELETE('/sites/{site}/plans/{plan}/steps/{step}', {
                params: { path: { site, plan: worked.id, step } },
            }),
        )
        notify.success('Removed from the plan.')
    } catch (problem) {
        notify.error(problem instanceof Error ? problem.message : String(problem))
    }
}

/** Prepares changes in the plan that one works in, and says so; gives the step. */
export async function prepare(site: string, plan: Worked, batch: Batch, undo: (step: string) => void) {
    const step = await addStep(site, plan.id, batch)
    notify.success(createElement(Sentence, { text: `Prepared in “${plan.name}”: ${step.sentence}` }), {
        id: step.id,
        action: { label: 'Undo', onClick: () => undo(step.id) },
    })
    return step.id
}

/** What switching a plan on, or some of its steps, would do. */
export async function rippleOf(site: string, plan: Switched) {
    const review = await answered(
        api.GET('/sites/{site}/plans/{plan}', {
            params: {
                path: { site, plan: plan.id },
                query: plan.only === undefined ? {} : { only: plan.only.join(',') },
            },
        }),
    )
    if (review.ripple === null) throw new Error('Nothing is prepared in this plan.')
    return review.ripple
}

/** Prepares changes in the plan that one works in. */
export const addStep = (site: string, plan: string, batch: Batch) =>
    answered(
        api.POST('/sites/{site}/plans/{plan}/steps', {
            params: { path: { site, plan } },
            body: { changes: batch.changes, decisions: batch.decisions ?? [] },
        }),
    )

/** A way out, or a decision, becomes part of the plan that is to be switched on. */
export async function amendPlan(site: string, plan: Switched, way: Batch): Promise<Switched> {
    const step = way.changes.length === 0 ? null : await addStep(site, plan.id, way)
    if (step === null && way.decisions !== undefined && way.decisions.length > 0)
        await answered(
            api.POST('/sites/{site}/plans/{plan}/decisions', {
                params: { path: { site, plan: plan.id } },
                body: { decisions: way.decisions },
            }),
        )
    return plan.only === undefined || step === null ? plan : { ...plan, only: [...plan.only, step.id] }
}
