import { answered, api, type Schemas } from '../api/client'
import { planOf } from './batches'
import type { Pending } from './changes'
import { notify } from './notify'
import type { Large } from './large'

/**
 * What came of a large change that is under way no longer; it goes on where it was only not seen yet. Done: its entry. Refused:
 * what was asked for, to be shown once more with why it was not done, as where it is refused at once. Otherwise it is said in a notice.
 */
export async function whatCameOfIt(
    site: string,
    change: Large,
    wanted: Pending | undefined,
): Promise<{ entry?: Schemas['HistoryEntry']; again?: Pending; goesOn?: boolean }> {
    const now = await answered(
        api.GET('/sites/{site}/under-way/{change}', { params: { path: { site, change: change.id } } }),
    )
    if (['waiting', 'planning', 'writing'].includes(now.state)) return { goesOn: true }
    if (now.entry !== null) return { entry: now.entry }
    if (now.own && wanted !== undefined && now.state === 'refused')
        return {
            again: {
                ...wanted,
                ripple: now.lookAgain ? await planOf(site, wanted) : wanted.ripple,
                said: now.problem ?? '',
            },
        }
    if (now.own) notify[now.state === 'stopped' ? 'message' : 'error'](now.problem ?? '')
    else if (now.state === 'done') notify.message(`${now.by ?? 'Somebody'} is done: ${now.title}.`)
    return {}
}
