import { getSchema, type Editor } from '@tiptap/react'
import { EditorState, TextSelection } from '@tiptap/pm/state'
import { extensions } from '../../resources/js/app/content/extensions'

export const schema = getSchema(extensions())

export const p = (text: string) => ({
    type: 'paragraph',
    ...(text === '' ? {} : { content: [{ type: 'text', text }] }),
})
export const column = (...content: object[]) => ({ type: 'column', content })
export const columns = (...content: object[]) => ({ type: 'columns', content })
export const callout = (...content: object[]) => ({ type: 'callout', content })
export const fold = (question: string, ...answer: object[]) => ({
    type: 'fold',
    content: [
        { type: 'foldQuestion', content: [{ type: 'text', text: question }] },
        { type: 'foldAnswer', content: answer },
    ],
})

export function stateOf(...content: object[]) {
    return EditorState.create({ schema, doc: schema.nodeFromJSON({ type: 'doc', content }) })
}

/** Where a text starts; -1 where it does not stand. */
export const at = (state: EditorState, text: string) => {
    let found = -1
    state.doc.descendants((node, pos) => {
        if (node.isText && node.text === text) found = pos
    })
    return found
}

export const caret = (state: EditorState, text: string) =>
    state.apply(state.tr.setSelection(TextSelection.create(state.doc, at(state, text))))

/** Every line of text, in its order. */
export const texts = (state: EditorState) => {
    const found: string[] = []
    state.doc.descendants(node => void (node.isTextblock && found.push(node.textContent)))
    return found
}

/** An editor without a screen: what is dispatched to it is its state from then on. */
export function editorOf(...content: object[]) {
    const editor = {
        state: stateOf(...content),
        view: {
            dispatch: (tr: EditorState['tr']) => {
                editor.state = editor.state.apply(tr)
            },
            focus: () => undefined,
        },
    }
    return editor as unknown as Editor & { state: EditorState }
}

/** Numbers that are the same in every run. */
export function chance(seed: number) {
    let at = seed
    return (below: number) => {
        at = (at * 1103515245 + 12345) % 2147483648
        return Math.floor((at / 2147483648) * below)
    }
}
