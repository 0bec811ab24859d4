import type { Editor } from '@tiptap/react'
import { NodeSelection } from '@tiptap/pm/state'
import clsx from 'clsx'
import { GripVertical, Plus } from 'lucide-react'
import { useRef, useState } from 'react'
import type { Schemas } from '../../api/client'
import { InlineTools } from '../../app/content/InlineTools'
import { currentBlock } from '../../app/content/moving'
import type { OpenSettings } from '../../app/content/settings'
import { Hint } from '../../ui/Hint'
import { useKey } from '../../ui/useKey'
import { BlockMenu } from './BlockMenu'
import { boxOf } from './geometry'
import { Notes } from './Notes'
import { useBlockDrag } from './useBlockDrag'
import { useFrameTick } from './useFrameTick'

type Props = {
    editor: Editor
    frame: Document
    notes: Schemas['ContentNote'][]
    onPut: () => void
    onSettings: (settings: OpenSettings) => void
    onName: (at: number) => void
}

/** What stands above the page while it is written on: tools at the block and at the selection, and what may be mended. */
export function RoomTools({ editor, frame, notes, onPut, onSettings, onName }: Props) {
    useFrameTick(editor, frame)
    const overlay = useRef<HTMLDivElement>(null)
    const at = currentBlock(editor.state)
    const box = at === null ? null : boxOf(editor.view, at)
    const [open, setOpen] = useState(false)
    useKey('mod+.', at === null ? null : () => setOpen(true), 'in-fields')
    const drag = useBlockDrag(editor, at, () => overlay.current?.getBoundingClientRect())
    const { selection } = editor.state
    const isText = !selection.empty && !(selection instanceof NodeSelection) && selection.$from.parent.isTextblock
    const button = 'grid h-6 w-5 place-items-center rounded text-ink-3 hover:bg-sunk hover:text-ink'
    return (
        <div ref={overlay} className={clsx('absolute inset-0', drag.pressed && 'pointer-events-auto')}>
            <Notes editor={editor} notes={notes} />
            {drag.gap !== null && (
                <div
                    className="absolute h-[3px] rounded bg-heron"
                    style={{
                        top: drag.gap.y - 1.5,
                        left: drag.gap.left,
                        width: drag.gap.right - drag.gap.left,
                    }}
                />
            )}
            {at !== null && box !== null && (
                <div
                    role="toolbar"
                    aria-label="Block"
                    className="pointer-events-auto absolute flex rounded-md border border-line bg-sheet shadow-float"
                    style={{ top: box.top - 1, left: Math.max(2, box.left - 52) }}
                >
                    <Hint description="Insert a block after this one (or type /)">
                        <button type="button" aria-label="Insert a block" className={button} onClick={onPut}>
                            <Plus size={15} aria-hidden />
                        </button>
                    </Hint>
                    <BlockMenu
                        editor={editor}
                        at={at}
                        open={open}
                        onOpenChange={setOpen}
                        onSettings={onSettings}
                        onName={onName}
                    >
                        <button
                            type="button"
                            aria-label="This block: drag to move, press for more"
                            className={`${button} cursor-grab touch-none`}
                            onPointerDown={event => {
                                // A press may be a drag: the menu opens when it is let go.
                                event.preventDefault()
                                drag.onPointerDown(event)
                            }}
                            onClick={() => drag.wasDragged() || setOpen(true)}
                        >
                            <GripVertical size={15} aria-hidden />
                        </button>
                    </BlockMenu>
                </div>
            )}
            {isText && editor.isEditable && <SelectionTools editor={editor} />}
        </div>
    )
}

function SelectionTools({ editor }: { editor: Editor }) {
    const { from, to } = editor.state.selection
    const [start, end] = [editor.view.coordsAtPos(from), editor.view.coordsAtPos(to, -1)]
    const above = start.top > 44
    return (
        <div
            role="toolbar"
            aria-label="Selected text"
            className="pointer-events-auto absolute flex rounded-md border border-line bg-sheet p-0.5 shadow-float"
            style={{
                top: above ? start.top - 40 : end.bottom + 8,
                left: Math.max(8, start.left - 20),
            }}
        >
            <InlineTools editor={editor} />
        </div>
    )
}
