import { describe, expect, test } from 'vitest'
import {
    conflictsIn,
    isTyped,
    summary,
    valueOf,
    withCell,
    type PageRow,
    type Typed,
} from '../../resources/js/views/site/cells'
import {
    isOpen,
    nextSays,
    saysOf,
    saysOfText,
    textOfSays,
    withCells,
    type Column,
    type Row,
} from '../../resources/js/views/people/rightCells'
import { chance } from './writingDocument'

const row = (id: string, fields: Record<string, unknown>) => ({ id, name: id, fields }) as unknown as PageRow

describe('fields of pages typed into a grid', () => {
    test('show what was typed until it is saved, and nothing where it was cleared', () => {
        const boat = row('01', { length: '24', crew: '6' })
        const typed = withCell(withCell({}, boat, 'length', '25'), boat, 'crew', null)
        expect([valueOf(typed, boat, 'length'), valueOf(typed, boat, 'crew'), valueOf({}, boat, 'crew')]).toEqual([
            '25',
            null,
            '6',
        ])
    })

    test('are none where they say again what stands', () => {
        const boat = row('01', { length: '24' })
        expect(withCell(withCell({}, boat, 'length', '25'), boat, 'length', '24')).toEqual({})
        // Nothing is nothing, however it is written.
        expect(withCell({}, boat, 'crew', null)).toEqual({})
    })

    test('leave what was typed of other pages and other fields', () => {
        const [one, other] = [row('01', {}), row('02', {})]
        const typed = withCell(withCell(withCell({}, one, 'a', 'x'), other, 'b', 'y'), one, 'c', 'z')
        expect(withCell(typed, one, 'a', undefined)).toEqual({
            '01': { c: { value: 'z', before: undefined } },
            '02': { b: { value: 'y', before: undefined } },
        })
    })

    test('meet what somebody else saved meanwhile, unless both say the same', () => {
        const typed = withCell({}, row('01', { length: '24' }), 'length', '25')
        expect(conflictsIn(typed, [row('01', { length: '24' })])).toEqual([])
        expect(conflictsIn(typed, [row('01', { length: '25' })])).toEqual([])
        const [met] = conflictsIn(typed, [row('01', { length: '30' })])
        expect(met).toMatchObject({ key: 'length', mine: '25', theirs: '30' })
    })

    test('remember what stood there first, through however many letters', () => {
        const boat = row('01', { length: '24' })
        const typed = ['2', '25', '256'].reduce<Typed>((now, value) => withCell(now, boat, 'length', value), {})
        expect(typed['01']?.length).toEqual({ value: '256', before: '24' })
    })

    test('are summed up where they are too large for a cell', () => {
        const field = (kind: string) => ({ kind }) as Parameters<typeof summary>[0]
        expect(summary(field('rows'), [{}])).toBe('1 row')
        expect(summary(field('rows'), [{}, {}])).toBe('2 rows')
        expect(summary(field('page'), { page: '07' }, { '07': 'Fares' })).toBe('Fares')
        expect(summary(field('page'), { page: '08' })).toBe('a page')
        expect(summary(field('file'), { file: '1' })).toBe('a file')
        expect(summary(field('picture'), { file: '1' })).toBe('a picture')
        expect(summary(field('text'), undefined)).toBe('')
        expect(['text', 'rows', 'picture'].map(kind => isTyped(field(kind)))).toEqual([true, false, false])
    })
})

describe('rights set in a grid', () => {
    const writer = {
        who: 'role:writer',
        isOwner: false,
        cells: { write: { says: 'allow' }, publish: { says: null } },
    } as unknown as Row
    const owner = { who: 'role:owner', isOwner: true, cells: {} } as unknown as Row
    const column = (right: string, isOfSite = false) => ({ right, isOfSite }) as unknown as Column

    test('go from nothing to allowed to denied and back', () => {
        expect([null, 'allow', 'deny'].map(says => nextSays(says as Parameters<typeof nextSays>[0]))).toEqual([
            'allow',
            'deny',
            null,
        ])
    })

    test('are what is set here before what stands', () => {
        const set = withCells({}, [[writer, column('write')]], 'deny')
        expect(saysOf(set, writer, column('write'))).toBe('deny')
        expect(saysOf(set, writer, column('publish'))).toBeNull()
        expect(saysOf({}, writer, column('write'))).toBe('allow')
        expect(saysOf({}, writer, column('retire'))).toBeNull()
    })

    test('that are set to what stands are not changed', () => {
        const set = withCells({}, [[writer, column('write')]], 'deny')
        expect(withCells(set, [[writer, column('write')]], 'allow')).toEqual({})
    })

    test('are open but for owners, and for what belongs to a site on a branch of it', () => {
        expect(isOpen(writer, column('menus', true), null)).toBe(true)
        expect(isOpen(writer, column('menus', true), '01')).toBe(false)
        expect(isOpen(owner, column('write'), null)).toBe(false)
        expect(isOpen({ ...owner, who: 'person:01' }, column('write'), null)).toBe(true)
    })

    test('are copied to a spreadsheet and back', () => {
        for (const says of ['allow', 'deny', null] as const) expect(saysOfText(textOfSays(says))).toBe(says)
        expect(saysOfText(' Allow ')).toBe('allow')
        expect(saysOfText('perhaps')).toBeUndefined()
    })

    test('end as they were last said, in whatever order they are clicked', () => {
        const random = chance(3)
        const rights = ['write', 'publish', 'retire', 'menus']
        const said: Record<string, unknown> = {}
        let set = {}
        for (let n = 0; n < 200; n++) {
            const right = column(rights[random(rights.length)] ?? '')
            const says = (['allow', 'deny', null] as const)[random(3)] ?? null
            set = withCells(set, [[writer, right]], says)
            said[right.right] = says
            for (const [each, last] of Object.entries(said)) expect(saysOf(set, writer, column(each))).toBe(last)
        }
        // Only what differs from what stands is left to save.
        for (const [cell, says] of Object.entries(set))
            expect(says).not.toBe(saysOf({}, writer, column(cell.split(' ')[1] ?? '')))
    })
})
