import { useKey } from '../../ui/useKey'

/** Ctrl/Cmd+S saves, wherever the focus is, while there is something to save; never the browser's own saving. */
export const useSaveKey = (save: (() => void) | null) => useKey('mod+s', save, 'everywhere')
