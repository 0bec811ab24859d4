import { answered, api, csrfToken, fileOf, type Schemas } from '../api/client'
import type { Switched, Wanted } from './batches'
import type { GroupKey } from './rippleGroups'

/** The same address gives rows or a file; here rows are asked for. */
type RowsAnswer = Promise<{ data?: Schemas['RippleRows']; error?: unknown; response: Response }>

export type ListGroup = Exclude<GroupKey, 'linksFollow' | 'linksBreak' | 'linksClosed' | 'sitemap'>

/** Where the complete rows of a group come from: a piece at a time, filtered by a text, or as a file. */
export type RowSource = {
    key: unknown
    read: (group: ListGroup, text: string, offset: number) => Promise<Schemas['RippleRows']>
    csv: (group: ListGroup) => Promise<Blob>
} | null

/** Rows of a ripple that is pending. What is undone has no batch to send; its first rows have to do. */
export function planRows(site: string, { batch, plan }: Wanted): RowSource {
    if (plan !== undefined) return switchedRows(site, plan)
    if (batch === undefined) return null
    const body = { changes: batch.changes, decisions: batch.decisions ?? [], defaults: true }
    return {
        key: body,
        read: (group, text, offset) =>
            answered(
                api.POST('/sites/{site}/ripple/{group}', {
                    params: { path: { site, group }, query: { text, offset } },
                    body,
                }) as RowsAnswer,
            ),
        csv: group =>
            fileOf(
                fetch(`/api/v1/sites/${site}/ripple/${group}?format=csv`, {
                    method: 'POST',
                    headers: {
                        'Content-Type': 'application/json',
                        'X-XSRF-TOKEN': csrfToken(),
                        Accept: 'text/csv, application/json',
                    },
                    body: JSON.stringify(body),
                }),
            ),
    }
}

function switchedRows(site: string, plan: Switched): RowSource {
    const only = plan.only?.join(',') ?? ''
    return {
        key: plan,
        read: (group, text, offset) =>
            answered(
                api.GET('/sites/{site}/plans/{plan}/ripple/{group}', {
                    params: { path: { site, plan: plan.id, group }, query: { text, offset, only } },
                }) as RowsAnswer,
            ),
        csv: group => fileOf(fetch(`/api/v1/sites/${site}/plans/${plan.id}/ripple/${group}?format=csv&only=${only}`)),
    }
}

export function entryRows(site: string, entry: string): RowSource {
    return {
        key: entry,
        read: (group, text, offset) =>
            answered(
                api.GET('/sites/{site}/history/{entry}/rows/{group}', {
                    params: { path: { site, entry, group }, query: { text, offset } },
                }) as RowsAnswer,
            ),
        csv: group => fileOf(fetch(`/api/v1/sites/${site}/history/${entry}/rows/${group}?format=csv`)),
    }
}
