import { answered, api, type Schemas } from '../api/client'

export type Change = Schemas['Change']
export type Batch = { changes: Change[]; decisions?: Schemas['Decision'][] }

/** What somebody wants done: a batch, or entries of the history to be undone. */
export type Undo = ({ entries: string[]; pages?: string[] } | { since: string }) & { decisions?: Schemas['Decision'][] }
export type Wanted = { batch: Batch; undo?: undefined } | { batch?: undefined; undo: Undo }

export function planOf(site: string, { batch, undo }: Wanted) {
    const params = { path: { site } }
    return batch !== undefined
        ? answered(
              api.POST('/sites/{site}/ripple', {
                  params,
                  body: { changes: batch.changes, decisions: batch.decisions ?? [] },
              }),
          )
        : answered(api.POST('/sites/{site}/undo/ripple', { params, body: undo }))
}

export function applyOf(site: string, { batch, undo }: Wanted, digest: string, note: string) {
    const params = { path: { site } }
    return batch !== undefined
        ? answered(
              api.POST('/sites/{site}/batches', {
                  params,
                  body: { changes: batch.changes, decisions: batch.decisions ?? [], digest, note },
              }),
          )
        : answered(api.POST('/sites/{site}/undo', { params, body: { ...undo, digest, note } }))
}
