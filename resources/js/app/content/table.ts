import { Extension, mergeAttributes, Node, type Editor } from '@tiptap/react'
import {
    addColumnAfter,
    addColumnBefore,
    addRowAfter,
    addRowBefore,
    deleteColumn,
    deleteRow,
    goToNextCell,
    tableEditing,
} from '@tiptap/pm/tables'

const flag = (name: string) => ({
    default: false,
    parseHTML: (element: HTMLElement) => element.hasAttribute(`data-${name.toLowerCase()}`),
    renderHTML: (attrs: Record<string, unknown>) =>
        attrs[name] === true ? { [`data-${name.toLowerCase()}`]: '' } : {},
})

/** A table; which cells are heads is said of the whole, and drawn by its attributes. */
export const Table = Node.create({
    name: 'table',
    group: 'block',
    content: 'tableRow+',
    isolating: true,
    addAttributes: () => ({
        caption: {
            default: '',
            parseHTML: element => element.getAttribute('data-caption') ?? '',
            renderHTML: ({ caption }) => ({ 'data-caption': String(caption) }),
        },
        headRow: flag('headRow'),
        headColumn: flag('headColumn'),
    }),
    parseHTML: () => [{ tag: 'table' }],
    renderHTML: ({ HTMLAttributes }) => ['table', mergeAttributes(HTMLAttributes, {}), ['tbody', 0]],
    addProseMirrorPlugins: () => [tableEditing()],
    addKeyboardShortcuts() {
        return {
            Tab: () =>
                inTable(this.editor) &&
                (step(this.editor, 1) || (tableActs.addRowAfter(this.editor), step(this.editor, 1))),
            'Shift-Tab': () => inTable(this.editor) && step(this.editor, -1),
        }
    },
})

export const TableRow = Node.create({
    name: 'tableRow',
    content: 'tableCell+',
    parseHTML: () => [{ tag: 'tr' }],
    renderHTML: () => ['tr', 0],
})

/** The table package asks every cell for what it spans; here that is always one. */
export const TableCell = Node.create({
    name: 'tableCell',
    content: '(paragraph | bulletList | orderedList)+',
    isolating: true,
    addAttributes: () => ({
        colspan: { default: 1, rendered: false, parseHTML: () => 1 },
        rowspan: { default: 1, rendered: false, parseHTML: () => 1 },
        colwidth: { default: null, rendered: false, parseHTML: () => null },
    }),
    parseHTML: () => [{ tag: 'td' }, { tag: 'th' }],
    renderHTML: () => ['td', 0],
})

export const inTable = (editor: Editor) => editor.isActive('table')

const step = (editor: Editor, direction: -1 | 1) => goToNextCell(direction)(editor.state, editor.view.dispatch)

const act = (command: typeof addRowAfter) => (editor: Editor) => {
    command(editor.state, editor.view.dispatch)
    editor.view.focus()
}

/** What can be done with rows and columns where the caret stands. */
export const tableActs = {
    addRowBefore: act(addRowBefore),
    addRowAfter: act(addRowAfter),
    addColumnBefore: act(addColumnBefore),
    addColumnAfter: act(addColumnAfter),
    deleteRow: act(deleteRow),
    deleteColumn: act(deleteColumn),
}

/** A table of blank cells, as the document format has it. */
export const blankTable = (rows: number, columns: number, attrs: object) => ({
    type: 'table',
    attrs,
    content: Array.from({ length: rows }, () => ({
        type: 'tableRow',
        content: Array.from({ length: columns }, () => ({ type: 'tableCell', content: [{ type: 'paragraph' }] })),
    })),
})

/** The table package finds tables, rows and cells by their role. */
export const TableRoles = Extension.create({
    name: 'tableRoles',
    extendNodeSchema: ({ name }: { name: string }) => {
        const role = { table: 'table', tableRow: 'row', tableCell: 'cell' }[name]
        return role === undefined ? {} : { tableRole: role }
    },
})
