import { Bin } from './Bin'
import { KeepAs } from './KeepAs'
import { MakeFrom } from './MakeFrom'
import { MoveTo } from './MoveTo'
import { PickFor } from './PickFor'
import { SiteTags } from './SiteTags'
import { TagMarked } from './TagMarked'
import { ToSite } from './ToSite'

export type OutlineDialog = 'bin' | 'move' | 'pick' | 'tag' | 'tags' | 'make-from' | 'keep' | 'to-site'

type Props = {
    dialog: OutlineDialog
    /** What is marked, or one row. */
    pages: { id: string; name: string }[]
    onClose: () => void
    /** What was wanted of the marked pages is done. */
    onDone: () => void
    onTag?: (tag: string) => void
    onMade?: (page: string) => void
}

/** The dialogs of the outline: fetched when the first of them is asked for. */
export function OutlineDialogs({ dialog, pages, onClose, onDone, onTag, onMade }: Props) {
    const closed = (then?: () => void) => () => {
        onClose()
        then?.()
    }
    const first = pages[0] ?? null
    switch (dialog) {
        case 'bin':
            return <Bin open onClose={onClose} />
        case 'move':
            return <MoveTo pages={pages} onClose={onClose} onDone={onDone} />
        case 'pick':
            return <PickFor pages={pages} onClose={onClose} onDone={onDone} />
        case 'tag':
            return <TagMarked pages={pages.map(page => page.id)} onClose={onClose} onDone={closed(onDone)} />
        case 'tags':
            return <SiteTags onClose={onClose} onShow={tag => closed(() => onTag?.(tag))()} />
        case 'make-from':
            return <MakeFrom inside={first} onClose={onClose} onMade={page => closed(() => onMade?.(page))()} />
        case 'keep':
            return first === null ? null : <KeepAs page={first} onClose={onClose} />
        case 'to-site':
            return first === null ? null : <ToSite page={first} onClose={onClose} />
    }
}
