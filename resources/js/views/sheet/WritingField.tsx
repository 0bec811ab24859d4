import { EditorContent, useEditor, type Editor } from '@tiptap/react'
import { useQueryClient } from '@tanstack/react-query'
import { useCallback, useEffect, useRef, useState } from 'react'
import type { Schemas } from '../../api/client'
import { keys } from '../../api/queries'
import { Muted } from '../../ui/Muted'
import { useSite } from '../../app/site'
import { Button } from '../../ui/Button'
import { inputClasses } from '../../ui/Field'
import { clock } from '../../ui/time'
import { extensions } from './editor/extensions'
import { pasteFrom } from './editor/paste'
import { Toolbar } from './editor/Toolbar'
import { useDraft } from './useDraft'
import { useOthers } from './useOthers'
import { useSaveKey } from './useSaveKey'
import { useContentSaving } from './useContentSaving'
import { ContentConflict } from './ContentConflict'
import { Alert } from '../../ui/Alert'
import { Choice } from '../../ui/Choice'

type Props = {
    sheet: Schemas['PageSheet']
    first: Schemas['Content']
    onUnsaved: (unsaved: boolean) => void
    visible: boolean
}

export function WritingField({ sheet, first, onUnsaved, visible }: Props) {
    const site = useSite()
    const queries = useQueryClient()
    const [base, setBase] = useState(first)
    const [offered, setOffered] = useState(first.draft)
    const [dirty, setDirty] = useState(false)
    const [said, say] = useState({ note: '', minor: false })
    const draft = useDraft(site.key, sheet.id)
    const { others, failure, ...last } = useOthers(site.key, sheet.id, visible, first)
    const editorRef = useRef<Editor>(null)
    const version = useRef(first.version)

    const editor = useEditor({
        extensions: extensions(site.key),
        content: first.document,
        editable: site.writes,
        immediatelyRender: true,
        editorProps: {
            attributes: {
                class: 'writing min-h-[180px] px-4 py-3',
                role: 'textbox',
                'aria-multiline': 'true',
                'aria-label': 'Content of the page',
            },
            handlePaste: (_view, event) =>
                editorRef.current === null ? false : pasteFrom(event, editorRef.current, site.key),
        },
        onUpdate: ({ editor: now }) => {
            setDirty(true)
            draft.keep(now.getJSON(), version.current)
        },
    })
    useEffect(() => {
        editorRef.current = editor
    }, [editor])
    useEffect(() => onUnsaved(dirty), [dirty, onUnsaved])

    const settle = useCallback(
        (content: Schemas['Content']) => {
            draft.forget()
            version.current = content.version
            setBase(content)
            setDirty(false)
            setOffered(null)
            say({ note: '', minor: false })
            queries.setQueryData(keys.content(site.key, sheet.id), content)
            void queries.invalidateQueries({ queryKey: keys.outline(site.key) })
            void queries.invalidateQueries({ queryKey: keys.page(site.key, sheet.id) })
        },
        [draft, queries, sheet.id, site.key],
    )
    const saving = useContentSaving(site.key, sheet.id, settle)
    const save = () => saving.save(editor.getJSON(), base.version, said)
    useSaveKey(dirty && visible ? save : null)

    const resume = () => {
        if (offered === null) return
        // The caret stands at the end and nothing is selected, so that what is done next replaces nothing unseen.
        editor.chain().setContent(offered.document).focus('end').run()
        version.current = offered.basedOn
        setBase({ ...base, version: offered.basedOn })
        setDirty(true)
        setOffered(null)
    }
    return (
        <div className="grid grid-cols-[minmax(0,1fr)] gap-3">
            {offered !== null && (
                <div role="status" className="rounded-md bg-heron-soft px-3 py-2">
                    <p>You have content here that you did not save, typed at {clock(offered.typed)}.</p>
                    <div className="mt-1.5 flex gap-2">
                        <Button variant="main" onClick={resume}>
                            Continue with them
                        </Button>
                        <Button
                            onClick={() => {
                                setOffered(null)
                                void draft.drop()
                            }}
                        >
                            Drop them
                        </Button>
                    </div>
                </div>
            )}
            {failure !== null && (
                <Muted small>Whether somebody else writes on this page could not be asked: {failure.message}</Muted>
            )}
            {others.length > 0 && (
                <p role="status" className="rounded-md bg-amber-soft px-3 py-2 text-amber">
                    {others.map(other => other.name).join(' and ')} {others.length === 1 ? 'is' : 'are'} writing on this
                    page too. Whoever saves second is shown both versions.
                </p>
            )}
            {last.version > base.version && last.savedBy !== site.session.name && saving.conflict === null && (
                <p role="status" className="rounded-md bg-amber-soft px-3 py-2 text-amber">
                    {last.savedBy ?? 'Somebody'} has saved this page since you opened it. When you save, you see both.
                </p>
            )}
            {saving.conflict !== null && (
                <ContentConflict
                    theirs={saving.conflict}
                    mine={editor.getJSON()}
                    site={site.key}
                    onKeepMine={() => saving.save(editor.getJSON(), saving.conflict?.version ?? 0)}
                    onJoin={joined => {
                        editor.chain().setContent(joined).focus('end').run()
                        saving.save(joined, saving.conflict?.version ?? 0)
                    }}
                    onLater={saving.dismiss}
                />
            )}
            {site.writes && <Toolbar editor={editor} site={site.key} />}
            <EditorContent editor={editor} className="rounded-md border border-line focus-within:border-heron" />
            {saving.problem !== null && <Alert>{saving.problem}</Alert>}
            {dirty && site.writes && (
                <div className="flex items-center gap-3">
                    <input
                        aria-label="What changed"
                        placeholder="What changed? (for the versions)"
                        maxLength={500}
                        value={said.note}
                        onChange={event => say({ ...said, note: event.target.value })}
                        className={inputClasses}
                    />
                    <Choice
                        className="whitespace-nowrap"
                        checked={said.minor}
                        onChange={event => say({ ...said, minor: event.target.checked })}
                    >
                        minor
                    </Choice>
                </div>
            )}
            <div className="flex items-center gap-2">
                <p role="status" className="text-[12px] text-ink-3">
                    {status(dirty, draft.kept, base)}
                </p>
                <span className="ml-auto" />
                {site.writes && (
                    <Button variant={dirty ? 'main' : 'plain'} disabled={!dirty || saving.busy} onClick={save}>
                        Save content
                    </Button>
                )}
            </div>
        </div>
    )
}

function status(dirty: boolean, kept: string | null, base: Schemas['Content']) {
    if (dirty) return kept === null ? 'Not saved yet.' : `Draft kept at ${clock(kept)}, not saved yet.`
    if (base.saved === null) return 'Nothing written yet.'
    return `Saved${base.savedBy === null ? '' : ` by ${base.savedBy}`}, version ${base.version}.`
}
