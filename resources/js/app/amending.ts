import type { Schemas } from '../api/client'
import type { Batch, Wanted } from './batches'
import type { Pending } from './changes'

/** What is wanted, with a way out or a decision added. */
export function withWay(pending: Wanted, way: Batch): Wanted {
    if (pending.batch !== undefined) return { batch: joined(pending.batch, way) }
    if (pending.plan !== undefined) return { plan: pending.plan }
    return { undo: { ...pending.undo, decisions: together(pending.undo.decisions, way.decisions) } }
}

/** The default wherever something is open. */
export function defaultsOf({ ripple }: Pending): Batch {
    const ways = ripple.conflicts.flatMap(conflict =>
        conflict.waysOut[0]?.kind === 'choose-another' ? [] : (conflict.waysOut[0] ?? []),
    )
    return {
        changes: ways.flatMap(way => way.changes),
        decisions: [
            ...ways.flatMap(way => way.decisions),
            ...ripple.questions
                .filter(question => question.open)
                .map(question => ({ kind: question.kind, page: question.page, answer: question.default })),
        ],
    }
}

/** A batch with more in it; a later decision on the same thing is the one that counts. */
function joined(batch: Batch, more: Batch): Batch {
    return { changes: [...batch.changes, ...more.changes], decisions: together(batch.decisions, more.decisions) }
}

function together(made: Schemas['Decision'][] = [], more: Schemas['Decision'][] = []) {
    const about = (decision: Schemas['Decision']) => `${decision.kind} ${decision.page ?? decision.address ?? ''}`
    return [...new Map([...made, ...more].map(decision => [about(decision), decision])).values()]
}

/** What is wanted once a way out is taken, or a decision made. */
export const amended = async (site: string, wanted: Wanted, way: Batch): Promise<Wanted> =>
    wanted.plan === undefined
        ? withWay(wanted, way)
        : { plan: await (await import('./planSteps')).amendPlan(site, wanted.plan, way) }
