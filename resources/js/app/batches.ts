import { answered, api, type Schemas } from '../api/client'

export type Change = Schemas['Change']
export type Batch = { changes: Change[]; decisions?: Schemas['Decision'][] }

/** What somebody wants done: a batch, or entries of the history taken back. */
export type TakeBack = ({ entries: string[] } | { since: string }) & { decisions?: Schemas['Decision'][] }
export type Wanted = { batch: Batch; takeBack?: undefined } | { batch?: undefined; takeBack: TakeBack }

export function planOf(site: string, { batch, takeBack }: Wanted) {
    const params = { path: { site } }
    return batch !== undefined
        ? answered(api.POST('/sites/{site}/ripple', { params, body: { changes: batch.changes, decisions: batch.decisions ?? [] } }))
        : answered(api.POST('/sites/{site}/take-back/ripple', { params, body: takeBack }))
}

export function applyOf(site: string, { batch, takeBack }: Wanted, digest: string, note: string) {
    const params = { path: { site } }
    return batch !== undefined
        ? answered(
              api.POST('/sites/{site}/batches', {
                  params,
                  body: { changes: batch.changes, decisions: batch.decisions ?? [], digest, note },
              }),
          )
        : answered(api.POST('/sites/{site}/take-back', { params, body: { ...takeBack, digest, note } }))
}
