import { answered, api, type Schemas } from '../api/client'

export type Change = Schemas['Change']
export type Batch = { changes: Change[]; decisions?: Schemas['Decision'][] }

/** What somebody wants done: a batch, entries of the history to be undone, or a plan, or steps of it, to be switched on. */
export type Undo = ({ entries: string[]; pages?: string[] } | { since: string }) & { decisions?: Schemas['Decision'][] }
export type Switched = { id: string; only?: string[] }
export type Wanted =
    | { batch: Batch; undo?: undefined; plan?: undefined }
    | { batch?: undefined; undo: Undo; plan?: undefined }
    | { batch?: undefined; undo?: undefined; plan: Switched }

/** What is done to plans, fetched by whoever works in one. */
export const planSteps = () => import('./planSteps')

export function planOf(site: string, { batch, undo, plan }: Wanted): Promise<Schemas['Ripple']> {
    const params = { path: { site } }
    if (plan !== undefined) return planSteps().then(steps => steps.rippleOf(site, plan))
    return batch !== undefined
        ? answered(
              api.POST('/sites/{site}/ripple', {
                  params,
                  body: { changes: batch.changes, decisions: batch.decisions ?? [] },
              }),
          )
        : answered(api.POST('/sites/{site}/undo/ripple', { params, body: undo }))
}

export function applyOf(site: string, { batch, undo, plan }: Wanted, digest: string, note: string) {
    const params = { path: { site } }
    if (plan !== undefined) return planSteps().then(steps => steps.switchOn(site, plan, digest, note))
    return batch !== undefined
        ? answered(
              api.POST('/sites/{site}/batches', {
                  params,
                  body: { changes: batch.changes, decisions: batch.decisions ?? [], digest, note },
              }),
          )
        : answered(api.POST('/sites/{site}/undo', { params, body: { ...undo, digest, note } }))
}
