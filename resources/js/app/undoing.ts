import { answered, api } from '../api/client'
import { notify } from './notify'

/** Undoes an entry of the history, and says so; gives the entry that did it, null where it was refused. */
export async function undoEntry(site: string, entry: string, word: string) {
    try {
        const made = await answered(
            api.POST('/sites/{site}/history/{entry}/undo', { params: { path: { site, entry } } }),
        )
        notify.success(word)
        return made.id
    } catch (problem) {
        notify.error(problem instanceof Error ? problem.message : String(problem))
        return null
    }
}
