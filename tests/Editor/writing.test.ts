import { NodeSelection } from '@tiptap/pm/state'
import { describe, expect, it } from 'vitest'
import { currentBlock, moved, stepped } from '../../resources/js/app/content/moving'
import { nearestGap } from '../../resources/js/views/write/geometry'
import { placeOf } from '../../resources/js/views/write/Notes'
import { caret, column, p, stateOf, texts } from './writingDocument'

describe('the block being worked in', () => {
    const list = { type: 'bulletList', content: [{ type: 'listItem', content: [p('item')] }] }
    const callout = { type: 'callout', content: [p('note')] }

    it('is a paragraph, a whole list, and the paragraph within a call-out or a column', () => {
        const state = stateOf(p('one'), list, callout, { type: 'columns', content: [column(p('left')), column(list)] })
        const typeAt = (text: string) => state.doc.nodeAt(currentBlock(caret(state, text)) ?? -1)?.type.name
        expect(['one', 'item', 'note', 'left'].map(typeAt)).toEqual([
            'paragraph',
            'bulletList',
            'paragraph',
            'paragraph',
        ])
    })

    it('is what is selected as a whole', () => {
        const state = stateOf(p('one'), { type: 'divider' })
        const selected = state.apply(state.tr.setSelection(NodeSelection.create(state.doc, 5)))
        expect(currentBlock(selected)).toBe(5)
    })
})

describe('moving a block', () => {
    const state = stateOf(p('one'), p('two'), { type: 'columns', content: [column(p('left')), column(p('right'))] })

    it('goes step by step among its neighbours, with the caret in it', () => {
        const moving = caret(state, 'two')
        const tr = stepped(moving, currentBlock(moving) ?? 0, -1)
        const after = tr === null ? moving : moving.apply(tr)
        expect(texts(after)).toEqual(['two', 'one', 'left', 'right'])
        expect(after.selection.$from.parent.textContent).toBe('two')
        expect(stepped(after, 0, -1)).toBeNull()
    })

    it('goes into a column and leaves none without a block', () => {
        const left = currentBlock(caret(state, 'left')) ?? 0
        const right = currentBlock(caret(state, 'right')) ?? 0
        const tr = moved(state, left, right)
        expect(tr === null ? [] : texts(state.apply(tr))).toEqual(['one', 'two', '', 'left', 'right'])
        expect(() => tr?.doc.check()).not.toThrow()
    })

    it('keeps columns out of columns, and a block where it is dropped on itself', () => {
        const right = currentBlock(caret(state, 'right')) ?? 0
        const columns = 10
        expect(state.doc.nodeAt(columns)?.type.name).toBe('columns')
        expect(moved(state, columns, right)).toBeNull()
        expect(moved(state, 0, 5)).toBeNull()
    })
})

describe('what may be mended', () => {
    it('is found by its path, however deep it lies, and not where the content has changed since', () => {
        const state = stateOf(p('one'), { type: 'columns', content: [column(p('left')), column(p('a'), p('right'))] })
        expect(state.doc.nodeAt(placeOf(state.doc, [1, 1, 1]) ?? -1)?.textContent).toBe('right')
        expect(state.doc.nodeAt(placeOf(state.doc, [0]) ?? -1)?.textContent).toBe('one')
        expect(placeOf(state.doc, [1, 2])).toBeNull()
    })
})

describe('the gap that a block is dropped into', () => {
    const gap = (to: number, y: number, left: number) => ({ to, y, left, right: left + 100 })

    it('is the nearest above or below, in the column under the pointer', () => {
        const gaps = [gap(1, 0, 0), gap(2, 100, 0), gap(3, 90, 200)]
        expect(nearestGap(gaps, 50, 70)?.to).toBe(2)
        expect(nearestGap(gaps, 250, 70)?.to).toBe(3)
        expect(nearestGap([], 0, 0)).toBeNull()
    })
})
