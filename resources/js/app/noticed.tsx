import type { Schemas } from '../api/client'
import { notify } from './notify'
import { Sentence } from './Sentence'

/** Says what was done, with the way back. */
export function noticed(entry: Schemas['HistoryEntry'], undo: () => void) {
    notify.success(<Sentence text={entry.sentence} />, { id: entry.id, action: { label: 'Undo', onClick: undo } })
}
