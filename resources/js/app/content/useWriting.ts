import { useQueryClient } from '@tanstack/react-query'
import { useEditor, type Editor, type JSONContent } from '@tiptap/react'
import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import type { Schemas } from '../../api/client'
import { keys } from '../../api/queries'
import { useSite } from '../site'
import { extensions } from './extensions'
import { pasteFrom } from './paste'
import { useContentSaving } from './useContentSaving'
import { useDraft } from './useDraft'

/** A page without content begins with a paragraph to write in. */
const filled = (document: JSONContent): JSONContent =>
    (document.content ?? []).length === 0 ? { type: 'doc', content: [{ type: 'paragraph' }] } : document

export type Texts = Schemas['TypedTexts']
export type Writing = ReturnType<typeof useWriting>

type Options = { writes: boolean; withTexts: boolean; onSlash?: () => void }

/**
 * Content being written: the editor, what it began from, what is kept and what was saved. Heading and summary come along
 * where they are typed with it.
 */
export function useWriting(page: string, first: Schemas['Content'], { writes, withTexts, onSlash }: Options) {
    const site = useSite()
    const queries = useQueryClient()
    const [base, setBase] = useState(first)
    const [offered, setOffered] = useState(first.draft)
    const [dirty, setDirty] = useState(false)
    const [said, say] = useState({ note: '', minor: false })
    const [texts, setTexts] = useState<Texts>(first.texts)
    const draft = useDraft(site.key, page)
    const editorRef = useRef<Editor>(null)
    const now = useRef({ version: first.version, texts: first.texts })

    const keep = useCallback(() => {
        if (editorRef.current === null) return
        setDirty(true)
        draft.keep(editorRef.current.getJSON(), now.current.version, withTexts ? now.current.texts : undefined)
    }, [draft, withTexts])
    const keepRef = useRef(keep)
    useEffect(() => {
        keepRef.current = keep
    })
    const slash = useRef(onSlash)
    useEffect(() => {
        slash.current = onSlash
    })
    const parts = useMemo(() => extensions(), [])
    const editor = useEditor({
        extensions: parts,
        content: filled(first.document),
        editable: writes,
        immediatelyRender: true,
        shouldRerenderOnTransaction: false,
        editorProps: {
            attributes: {
                class: withTexts ? 'content' : 'writing min-h-[180px] px-4 py-3',
                role: 'textbox',
                'aria-multiline': 'true',
                'aria-label': 'Content of the page',
            },
            handleKeyDown: (view, event) => {
                const { $from, empty } = view.state.selection
                const opens = event.key === '/' && empty && $from.parent.isTextblock && $from.parent.content.size === 0
                if (!opens || slash.current === undefined || !$from.parent.type.spec.group?.includes('block'))
                    return false
                event.preventDefault()
                slash.current()
                return true
            },
            handlePaste: (_view, event) =>
                editorRef.current === null ? false : pasteFrom(event, editorRef.current, site.key),
        },
        onUpdate: () => keepRef.current(),
    })
    useEffect(() => {
        editorRef.current = editor
    }, [editor])

    const type = (change: Partial<Texts>) => {
        now.current.texts = { ...now.current.texts, ...change }
        setTexts(now.current.texts)
        keep()
    }
    const settle = useCallback(
        (content: Schemas['Content']) => {
            draft.forget()
            now.current = { version: content.version, texts: content.texts }
            setBase(content)
            setTexts(content.texts)
            setDirty(false)
            setOffered(null)
            say({ note: '', minor: false })
            queries.setQueryData(keys.content(site.key, page), content)
            void queries.invalidateQueries({ queryKey: keys.outline(site.key) })
            void queries.invalidateQueries({ queryKey: keys.page(site.key, page) })
        },
        [draft, queries, page, site.key],
    )
    const saving = useContentSaving(site.key, page, settle)
    const send = (document: JSONContent, version: number, textsBefore: Texts) =>
        saving.save(document, version, { ...said, ...(withTexts ? { texts: now.current.texts, textsBefore } : {}) })

    return {
        editor,
        base,
        texts,
        type,
        dirty,
        said,
        say,
        offered,
        draft,
        saving,
        save: () => send(editor.getJSON(), base.version, base.texts),
        /** Saves over what somebody else saved meanwhile, which stays as an earlier version. */
        saveOver: (theirs: Schemas['Content'], document: JSONContent = editor.getJSON()) =>
            send(document, theirs.version, theirs.texts),
        replace: (document: JSONContent) =>
            editor.chain().setContent(document, { emitUpdate: false }).focus('end').run(),
        resume: () => {
            if (offered === null) return
            // The caret stands at the end and nothing is selected, so that what is done next replaces nothing unseen.
            editor.chain().setContent(offered.document).focus('end').run()
            now.current = { version: offered.basedOn, texts: offered.texts ?? now.current.texts }
            setTexts(now.current.texts)
            setBase({ ...base, version: offered.basedOn })
            setDirty(true)
            setOffered(null)
        },
        dropDraft: () => {
            setOffered(null)
            void draft.drop()
        },
    }
}
