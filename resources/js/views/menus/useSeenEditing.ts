import { useNavigate } from '@tanstack/react-router'
import type { Schemas } from '../../api/client'
import { notify } from '../../app/notify'
import { useSite } from '../../app/site'
import { change, step, without, type Entry, type Step } from './arrangement'
import { leftOut, settle, type Seen } from './branches'

type Shown = Schemas['ShownEntry']

export type SeenEditing = {
    rename: (one: Shown, name: string) => void
    step: (one: Shown, to: Step) => void
    leaveOut: (one: Shown, isOut: boolean) => void
    remove: (one: Shown) => void
    openPage: (page: string) => void
}

const seenOf = (one: Shown): Seen => ({ entry: one.entry, page: one.page })

/** Says what had to become single entries, since it means that pages no longer come to be there by themselves. */
export function sayOpened(opened: string[]) {
    if (opened.length > 0)
        notify.message(
            `What is inside ${opened.map(name => `“${name}”`).join(' and ')} stands as single entries now: new pages there are added by hand.`,
        )
}

/** Changing what a menu shows where it is seen; what is filled from the tree becomes entries of its own where it has to. */
export function useSeenEditing(
    entries: Entry[],
    shown: Shown[],
    onArrange: (entries: Entry[]) => void,
    onEntry: (entry: string) => void,
): SeenEditing {
    const site = useSite()
    const navigate = useNavigate()
    const settled = (one: Shown, then: (entries: Entry[], id: string) => Entry[]) => {
        const own = settle(entries, shown, seenOf(one))
        if (own === null) return
        const next = then(own.entries, own.id)
        // Where nothing comes of it, nothing becomes something else either.
        if (next === own.entries) return
        onArrange(next)
        onEntry(own.id)
        sayOpened(own.opened)
    }
    return {
        rename: (one, name) => settled(one, (all, id) => change(all, id, { label: name })),
        step: (one, to) => settled(one, (all, id) => step(all, id, to)),
        leaveOut: (one, isOut) => onArrange(leftOut(entries, seenOf(one), one.label, isOut)),
        remove: one => onArrange(without(entries, one.entry)),
        openPage: page =>
            void navigate({ to: '/s/$site/outline', params: { site: site.key }, search: { row: page, page } }),
    }
}
