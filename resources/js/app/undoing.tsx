import { answered, api, type Schemas } from '../api/client'
import { notify } from './notify'
import { Sentence } from './Sentence'

/** Undoes an entry of the history; gives the entry that did it, or how it is made in the background; null where it was refused. */
export async function undoEntry(site: string, entry: string) {
    try {
        return await answered(api.POST('/sites/{site}/history/{entry}/undo', { params: { path: { site, entry } } }))
    } catch (problem) {
        notify.error(problem instanceof Error ? problem.message : String(problem))
        return null
    }
}

/** Says what was done, undone or done once more, with the way back. */
export function noticed(entry: Schemas['HistoryEntry'], undid: boolean | undefined, back: () => void) {
    const text =
        undid === undefined
            ? entry.sentence
            : `${undid ? 'Undone' : 'Redone'}: ${entry.sentence.replace(/^(?:Undid:? )+/, '')}`
    notify.success(<Sentence text={text} />, {
        id: entry.id,
        action: { label: undid === true ? 'Redo' : 'Undo', onClick: back },
    })
}
