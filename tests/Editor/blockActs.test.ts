import type { Node } from '@tiptap/pm/model'
import { describe, expect, it } from 'vitest'
import { moved, stepped } from '../../resources/js/app/content/moving'
import { blankTable } from '../../resources/js/app/content/table'
import {
    addColumn,
    around,
    canStandBeside,
    dissolveColumns,
    duplicateBlock,
    moveBlock,
    putBeside,
    removeBlock,
    selectBlock,
    setBlock,
} from '../../resources/js/views/write/blockActs'
import { at, callout, chance, column, columns, editorOf, fold, p, stateOf, texts } from './writingDocument'

const anchorsIn = (doc: Node) => {
    const found: string[] = []
    doc.descendants(node => void (typeof node.attrs.anchor === 'string' && found.push(node.attrs.anchor)))
    return found
}
const blockOf = (editor: ReturnType<typeof editorOf>, text: string) => at(editor.state, text) - 1
const typesOf = (doc: Node) => doc.children.map(node => node.type.name)

describe('a block that is removed', () => {
    it('leaves its neighbours', () => {
        const editor = editorOf(p('one'), p('two'), p('three'))
        removeBlock(editor, blockOf(editor, 'two'))
        expect(texts(editor.state)).toEqual(['one', 'three'])
    })

    it('leaves a blank line where it was alone, on the page and in a column', () => {
        const page = editorOf(p('one'))
        removeBlock(page, 0)
        expect(texts(page.state)).toEqual([''])
        const beside = editorOf(columns(column(p('left')), column(p('right'))))
        removeBlock(beside, blockOf(beside, 'right'))
        expect(texts(beside.state)).toEqual(['left', ''])
        expect(() => beside.state.doc.check()).not.toThrow()
    })

    it('is none where nothing stands', () => {
        const editor = editorOf(p('one'))
        removeBlock(editor, editor.state.doc.content.size)
        expect(texts(editor.state)).toEqual(['one'])
    })
})

describe('a block that is duplicated', () => {
    it('stands below with the same words', () => {
        const editor = editorOf(p('one'), callout(p('note'), p('more')))
        duplicateBlock(editor, 5)
        expect(texts(editor.state)).toEqual(['one', 'note', 'more', 'note', 'more'])
        expect(typesOf(editor.state.doc)).toEqual(['paragraph', 'callout', 'callout'])
    })

    it('takes no name along, its own or of what stands in it: a name leads to one place', () => {
        const named = (text: string, anchor: string) => ({ ...p(text), attrs: { anchor } })
        const editor = editorOf({ ...callout(named('inside', 'b'), p('none')), attrs: { anchor: 'a' } })
        duplicateBlock(editor, 0)
        expect(anchorsIn(editor.state.doc)).toEqual(['a', 'b'])
        expect(texts(editor.state)).toEqual(['inside', 'none', 'inside', 'none'])
    })
})

describe('columns', () => {
    it('are made of a block and the one before it, and of nothing that holds columns already', () => {
        const editor = editorOf(p('one'), p('two'), columns(column(p('left')), column(p('right'))))
        const [first, second] = [blockOf(editor, 'one'), blockOf(editor, 'two')]
        expect(canStandBeside(editor, first)).toBe(false)
        expect(canStandBeside(editor, second)).toBe(true)
        expect(canStandBeside(editor, second + 5)).toBe(false)
        expect(canStandBeside(editor, blockOf(editor, 'right'))).toBe(false)
        putBeside(editor, second)
        expect(typesOf(editor.state.doc)).toEqual(['columns', 'columns'])
        expect(texts(editor.state)).toEqual(['one', 'two', 'left', 'right'])
    })

    it('are two to four', () => {
        const editor = editorOf(columns(column(p('left')), column(p('right'))))
        for (let more = 0; more < 4; more++) addColumn(editor, 0)
        expect(editor.state.doc.firstChild?.childCount).toBe(4)
        expect(() => editor.state.doc.check()).not.toThrow()
    })

    it('that are dissolved leave what was written in them, in its order', () => {
        const editor = editorOf(
            p('before'),
            columns(column(p('a'), callout(p('b'))), column(p('')), column(p('c'))),
            p('after'),
        )
        dissolveColumns(editor, 8)
        expect(typesOf(editor.state.doc)).toEqual(['paragraph', 'paragraph', 'callout', 'paragraph', 'paragraph'])
        expect(texts(editor.state)).toEqual(['before', 'a', 'b', 'c', 'after'])
    })

    it('in which nothing was written leave a blank line', () => {
        const editor = editorOf(columns(column(p('')), column(p(''))))
        dissolveColumns(editor, 0)
        expect(texts(editor.state)).toEqual([''])
    })

    it('keep pictures, which hold no text', () => {
        const editor = editorOf(columns(column({ type: 'divider' }), column(p('c'))))
        dissolveColumns(editor, 0)
        expect(typesOf(editor.state.doc)).toEqual(['divider', 'paragraph'])
    })
})

describe('a block', () => {
    it('gets other attributes and keeps the rest', () => {
        const editor = editorOf({ ...callout(p('note')), attrs: { tone: 'note', anchor: 'here' } })
        setBlock(editor, 0, { tone: 'warning' })
        expect(editor.state.doc.firstChild?.attrs).toMatchObject({ tone: 'warning', anchor: 'here' })
    })

    it('is selected as a whole, where one stands', () => {
        const editor = editorOf(p('one'), { type: 'divider' })
        selectBlock(editor, 5)
        expect([editor.state.selection.from, editor.state.selection.to]).toEqual([5, 6])
        selectBlock(editor, 6)
        expect(editor.state.selection.from).toBe(5)
    })

    it('is found around what stands in it', () => {
        const editor = editorOf(p('one'), fold('Why?', callout(p('because'))))
        const inside = at(editor.state, 'because')
        expect(editor.state.doc.nodeAt(around(editor, inside, 'fold') ?? -1)?.type.name).toBe('fold')
        expect(editor.state.doc.nodeAt(around(editor, inside, 'callout') ?? -1)?.type.name).toBe('callout')
        expect(around(editor, inside, 'columns')).toBeNull()
        expect(around(editor, 5, 'fold')).toBe(5)
    })

    it('goes up and down among its neighbours, and stays at the end', () => {
        const editor = editorOf(p('one'), p('two'))
        moveBlock(editor, 5, -1)
        expect(texts(editor.state)).toEqual(['two', 'one'])
        moveBlock(editor, 0, -1)
        expect(texts(editor.state)).toEqual(['two', 'one'])
    })
})

describe('whatever is moved, removed, put beside or dissolved', () => {
    const random = chance(7)
    let words = 0
    const some = (depth: number): object => {
        const kind = random(depth > 1 ? 2 : 6)
        const inner = () => Array.from({ length: 1 + random(2) }, () => some(depth + 1))
        if (kind === 2) return callout(...inner())
        if (kind === 3 && depth === 0) return columns(column(...inner()), column(...inner()))
        if (kind === 4) return fold(`w${words++}`, ...inner())
        if (kind === 5) return blankTable(1 + random(2), 1 + random(3), {})
        return p(`w${words++}`)
    }
    const blocks = (doc: Node) => {
        const found: number[] = []
        doc.descendants((node, pos) => void (node.isBlock && found.push(pos)))
        return found
    }
    const written = (doc: Node) => {
        const found: string[] = []
        doc.descendants(node => void (node.isText && found.push(node.text ?? '')))
        return found.sort()
    }

    it.each(Array.from({ length: 30 }, (_, n) => n))('leaves a whole document with every word, %i', () => {
        const state = stateOf(...Array.from({ length: 1 + random(4) }, () => some(0)))
        const all = blocks(state.doc)
        for (const from of all) {
            for (const direction of [-1, 1] as const) {
                // Parts of a question, a table or columns are no blocks of their own: they are not offered.
                const tr = mayMove(state.doc, from) ? stepped(state, from, direction) : null
                if (tr === null) continue
                expect(() => tr.doc.check()).not.toThrow()
                expect(written(tr.doc)).toEqual(written(state.doc))
            }
            const to = all[random(all.length)] ?? 0
            const tr = mayMove(state.doc, from) ? moved(state, from, to) : null
            if (tr === null) continue
            expect(() => tr.doc.check()).not.toThrow()
            expect(written(tr.doc)).toEqual(written(state.doc))
        }
    })

    const mayMove = (doc: Node, pos: number) =>
        !['foldQuestion', 'foldAnswer', 'column', 'tableRow', 'tableCell'].includes(doc.nodeAt(pos)?.type.name ?? '')
})
