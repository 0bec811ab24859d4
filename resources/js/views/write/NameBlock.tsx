import type { Editor } from '@tiptap/react'
import { useState } from 'react'
import { DialogForm } from '../../app/content/DialogForm'
import { Field } from '../../ui/Field'
import { setBlock } from './blockActs'

/** A name for a block, which links can lead to. The rule for names is the server's; what is typed is brought into its form. */
export function NameBlock({ editor, at, onClose }: { editor: Editor; at: number; onClose: () => void }) {
    const [name, setName] = useState(String(editor.state.doc.nodeAt(at)?.attrs.anchor ?? ''))
    const clean = name
        .trim()
        .toLowerCase()
        .replace(/[^\p{L}\p{N}._]+/gu, '-')
        .replace(/^-+|-+$/g, '')
    const taken = clean !== '' && namesOf(editor, at).has(clean)
    return (
        <DialogForm
            title="Name for links"
            act="Use name"
            disabled={taken}
            onClose={onClose}
            onSubmit={() => {
                setBlock(editor, at, { anchor: clean === '' ? null : clean })
                onClose()
            }}
        >
            <Field
                stacked
                autoFocus
                label="Name"
                mono
                value={name}
                maxLength={60}
                onChange={event => setName(event.target.value)}
                error={taken ? 'Another block of this page is called that.' : undefined}
                hint={clean === '' ? 'Left empty, the block has none.' : `Links can lead to #${clean}`}
            />
        </DialogForm>
    )
}

function namesOf(editor: Editor, but: number): Set<string> {
    const names = new Set<string>()
    editor.state.doc.descendants((node, at) => {
        if (at !== but && typeof node.attrs.anchor === 'string') names.add(node.attrs.anchor)
        return !node.isTextblock
    })
    return names
}
