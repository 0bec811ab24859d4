import { answered, api } from '../api/client'
import { notify } from './notify'
import { isLarge } from './large'

/** Undoes an entry of the history, and says so; gives the entry that did it, or how it is made in the background; null where it was refused. */
export async function undoEntry(site: string, entry: string, word: string) {
    try {
        const made = await answered(
            api.POST('/sites/{site}/history/{entry}/undo', { params: { path: { site, entry } } }),
        )
        if (!isLarge(made)) notify.success(word)
        return made
    } catch (problem) {
        notify.error(problem instanceof Error ? problem.message : String(problem))
        return null
    }
}
