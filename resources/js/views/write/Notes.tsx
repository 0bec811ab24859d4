import type { Editor } from '@tiptap/react'
import type { Node } from '@tiptap/pm/model'
import { Popover } from 'radix-ui'
import type { Schemas } from '../../api/client'
import { boxOf } from './geometry'
import { selectBlock } from './blockActs'

type Note = Schemas['ContentNote']

/** Where a block starts whose path from the beginning of the content is known; null where it has gone since. */
export function placeOf(doc: Node, path: number[]): number | null {
    let node = doc
    let at = -1
    for (const index of path) {
        if (index >= node.childCount) return null
        let within = at + 1
        for (let i = 0; i < index; i++) within += node.child(i).nodeSize
        at = within
        node = node.child(index)
    }
    return at
}

/** What may be mended, softly, at the right of the block that it is about. */
export function Notes({ editor, notes }: { editor: Editor; notes: Note[] }) {
    const blocks = new Map<number, Note[]>()
    for (const note of notes) {
        const at = placeOf(editor.state.doc, note.path)
        if (at !== null) blocks.set(at, [...(blocks.get(at) ?? []), note])
    }
    return [...blocks].map(([at, here]) => {
        const box = boxOf(editor.view, at)
        if (box === null || box.bottom < 0) return null
        return (
            <Popover.Root key={at}>
                <Popover.Trigger asChild>
                    <button
                        type="button"
                        aria-label={`To fix: ${here.map(note => note.text).join(' ')}`}
                        className="pointer-events-auto absolute grid size-6 place-items-center rounded-full hover:bg-amber-soft data-[state=open]:bg-amber-soft"
                        style={{ top: box.top + 2, left: box.right + 6 }}
                    >
                        <span className="size-2 rounded-full bg-amber" aria-hidden />
                    </button>
                </Popover.Trigger>
                <Popover.Portal>
                    <Popover.Content
                        side="left"
                        align="start"
                        className="z-50 grid max-w-[300px] gap-2 rounded-md border border-line bg-sheet p-3 shadow-float"
                        onOpenAutoFocus={() => selectBlock(editor, at)}
                    >
                        {here.map(note => (
                            <p key={note.code + note.text}>{note.text}</p>
                        ))}
                    </Popover.Content>
                </Popover.Portal>
            </Popover.Root>
        )
    })
}
