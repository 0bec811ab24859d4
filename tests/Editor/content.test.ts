import { describe, expect, it } from 'vitest'
import { blockList } from '../../resources/js/app/content/blockList'
import { settable } from '../../resources/js/app/content/blocks'
import { extensions } from '../../resources/js/app/content/extensions'
import { likeness } from '../../resources/js/app/content/likeness'
import { blockTypes } from '../../resources/js/app/content/ownAttributes'
import { outsideLink, writtenLink } from '../../resources/js/app/content/typedLink'
import { documentOf } from '../../resources/js/app/document'
import { getSchema } from '@tiptap/react'

describe('what is typed into a link', () => {
    it.each([
        ['https://example.org/a?b=c', 'https://example.org/a?b=c'],
        ['www.example.org', 'https://www.example.org'],
        ['office@skerrivane.example', 'mailto:office@skerrivane.example'],
        ['mailto:a@b.example', 'mailto:a@b.example'],
        ['+44 1632 960 123', 'tel:+441632960123'],
        ['(01632) 960-123', 'tel:01632960123'],
        ['tel:112', 'tel:112'],
    ])('%s leads outside', (typed, href) => expect(outsideLink(typed)).toBe(href))

    it.each(['Timetables', 'summer 2026', '12', 'a@b', 'javascript:alert(1)', '/travel', ''])(
        '%s is a name to look for',
        typed => expect(outsideLink(typed)).toBeNull(),
    )

    it('may be an address of this site or a place on this page', () => {
        expect(['/travel', '/a?b#c', '#fares'].map(writtenLink)).toEqual(['/travel', '/a?b#c', '#fares'])
        expect(['//evil.example', '/', '#', 'travel', '/a b', '/\\x'].map(writtenLink)).toEqual(Array(6).fill(null))
    })
})

describe('the list of blocks', () => {
    const choices = blockList.flatMap(({ choices }) => choices)
    const found = (typed: string) =>
        choices
            .map(choice => ({ name: choice.name, score: likeness(choice.name, typed, choice.also.split(' ')) }))
            .filter(({ score }) => score > 0)
            .sort((one, other) => other.score - one.score)
            .map(({ name }) => name)

    it('finds a block by its name before one that is also called that', () => {
        expect(found('button')[0]).toBe('Button')
        expect(found('List')[0]).toBe('List')
        expect(found('tab')[0]).toBe('Table')
        expect(found('faq')).toEqual(['Expandable question'])
        expect(found('photo')).toEqual(['Picture'])
        expect(found('nothing of the kind')).toEqual([])
    })

    it('offers every block that is set in a dialog, each name once', () => {
        const opened: string[] = []
        for (const choice of choices)
            if (choice.put.length === 2) choice.put({} as never, settings => void opened.push(settings.type))
        expect(opened.sort()).toEqual(Object.keys(settable).sort())
        expect(new Set(choices.map(({ name }) => name)).size).toBe(choices.length)
    })
})

describe('the schema', () => {
    const schema = getSchema(extensions())

    it('gives every block what every block may carry, and sends nothing where nothing is set', () => {
        for (const type of blockTypes) {
            const attrs = schema.nodes[type]?.spec.attrs ?? {}
            expect([type, attrs.hidden?.default, attrs.anchor?.default, attrs.style?.default]).toEqual([
                type,
                null,
                null,
                null,
            ])
        }
    })

    it('lets columns stand on the page alone and cells hold what small texts need', () => {
        const fits = (parent: string, child: string) => {
            const type = schema.nodes[child]
            return type !== undefined && schema.nodes[parent]?.contentMatch.matchType(type) != null
        }
        expect(fits('doc', 'columns')).toBe(true)
        for (const parent of ['column', 'callout', 'foldAnswer', 'blockquote', 'tableCell'])
            expect(fits(parent, 'columns')).toBe(false)
        expect(
            ['paragraph', 'bulletList', 'heading', 'picture', 'table'].map(child => fits('tableCell', child)),
        ).toEqual([true, true, false, false, false])
        for (const child of ['picture', 'gallery', 'video', 'pages', 'file', 'button', 'table', 'fold', 'callout'])
            expect([child, fits('column', child)]).toEqual([child, true])
    })

    it('keeps the attributes of blocks on their way from page to page', () => {
        const gallery = { view: 'slides', pictures: [{ file: 'F', alt: 'A "boat"', decorative: false, caption: '' }] }
        const node = schema.nodeFromJSON({ type: 'gallery', attrs: gallery })
        const [tag, attrs] = node.type.spec.toDOM?.(node) as unknown as [string, Record<string, string>]
        expect([tag, attrs['data-block']]).toEqual(['div', 'gallery'])
        expect(JSON.parse(attrs['data-attrs'] ?? '{}')).toMatchObject(gallery)
    })
})

describe('what is sent', () => {
    it('is a document of blocks, also where the editor has none', () => {
        expect(documentOf({ type: 'doc' })).toEqual({ version: 1, type: 'doc', content: [] })
        expect(documentOf({ type: 'doc', content: [{ content: [] }] }).content).toEqual([
            { type: 'paragraph', content: [] },
        ])
    })
})
