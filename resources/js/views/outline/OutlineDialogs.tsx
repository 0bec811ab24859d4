import { Bin } from './Bin'
import { MoveTo } from './MoveTo'
import { PickFor } from './PickFor'
import { SiteTags } from './SiteTags'
import { TagMarked } from './TagMarked'

export type OutlineDialog = 'bin' | 'move' | 'pick' | 'tag' | 'tags'

type Props = {
    dialog: OutlineDialog
    marked: string[]
    onClose: () => void
    /** What was wanted of the marked pages is done. */
    onDone: () => void
    onTag: (tag: string) => void
}

/** The dialogs of the outline: fetched when the first of them is asked for. */
export function OutlineDialogs({ dialog, marked, onClose, onDone, onTag }: Props) {
    const pages = marked.map(id => ({ id, name: 'the marked page' }))
    const close = (then: () => void) => () => {
        onClose()
        then()
    }
    switch (dialog) {
        case 'bin':
            return <Bin open onClose={onClose} />
        case 'move':
            return <MoveTo pages={pages} onClose={onClose} onDone={onDone} />
        case 'pick':
            return <PickFor pages={pages} onClose={onClose} onDone={onDone} />
        case 'tag':
            return <TagMarked pages={marked} onClose={onClose} onDone={close(onDone)} />
        case 'tags':
            return <SiteTags onClose={onClose} onShow={tag => close(() => onTag(tag))()} />
    }
}
