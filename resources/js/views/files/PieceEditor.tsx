import { useMutation, useQueryClient } from '@tanstack/react-query'
import { EditorContent, useEditor, type JSONContent } from '@tiptap/react'
import { useEffect, useMemo, useState } from 'react'
import { ApiProblem, answered, api } from '../../api/client'
import { keys } from '../../api/queries'
import { BlockSettings } from '../../app/content/BlockSettings'
import { extensions } from '../../app/content/extensions'
import { WritingPlace, type OpenSettings } from '../../app/content/settings'
import { Toolbar } from '../../app/content/Toolbar'
import { documentOf } from '../../app/document'
import { notify } from '../../app/notify'
import type { PieceDetail } from '../../app/pieces'
import { useSite } from '../../app/site'
import { Alert } from '../../ui/Alert'
import { Button } from '../../ui/Button'
import { count } from '../../ui/count'
import { DialogActions } from '../../ui/DialogActions'
import { Field } from '../../ui/Field'
import { PieceBeside } from './PieceBeside'

type Props = {
    piece: PieceDetail | null
    onDirty: (dirty: boolean) => void
    onDone: (piece: string | undefined) => void
}

/** The name and the content of a piece, with the pages that change with it. */
export function PieceEditor({ piece, onDirty, onDone }: Props) {
    const site = useSite()
    const queries = useQueryClient()
    const [name, setName] = useState(piece?.name ?? '')
    const [typed, setTyped] = useState(false)
    const [settings, setSettings] = useState<OpenSettings | null>(null)
    const parts = useMemo(() => extensions(), [])
    const editor = useEditor({
        extensions: parts,
        content: (piece?.document ?? { type: 'doc', content: [{ type: 'paragraph' }] }) as JSONContent,
        editable: site.may('files'),
        immediatelyRender: true,
        shouldRerenderOnTransaction: false,
        editorProps: {
            attributes: {
                class: 'writing min-h-[180px] px-4 py-3',
                role: 'textbox',
                'aria-multiline': 'true',
                'aria-label': 'Content of the piece',
            },
        },
        onUpdate: () => setTyped(true),
    })
    const dirty = typed || name !== (piece?.name ?? '')
    useEffect(() => {
        onDirty(dirty)
        return () => onDirty(false)
    }, [dirty, onDirty])
    const save = useMutation({
        mutationFn: () => {
            const body = { name, document: documentOf(editor.getJSON()) }
            return answered(
                piece === null
                    ? api.POST('/sites/{site}/pieces', { params: { path: { site: site.key } }, body })
                    : api.PUT('/sites/{site}/pieces/{piece}', {
                          params: {
                              path: { site: site.key, piece: piece.id },
                              header: { 'If-Match': `"${piece.number}"` },
                          },
                          body,
                      }),
            )
        },
        onSuccess: async saved => {
            setTyped(false)
            onDirty(false)
            await queries.invalidateQueries({ queryKey: keys.site(site.key) })
            notify.success(
                piece === null
                    ? `Made the piece “${saved.name}”.`
                    : `Saved. ${count(saved.uses, 'page shows', 'pages show')} it as it is now.`,
            )
            onDone(saved.id)
        },
    })
    const remove = useMutation({
        mutationFn: (id: string) =>
            answered(api.DELETE('/sites/{site}/pieces/{piece}', { params: { path: { site: site.key, piece: id } } })),
        onSuccess: async () => {
            onDone(undefined)
            await queries.invalidateQueries({ queryKey: keys.site(site.key) })
        },
    })
    const problem = save.error instanceof ApiProblem ? save.error : null
    const place = useMemo(() => ({ inRoom: false, site: site.key, page: '', edit: setSettings }), [site.key])
    const act = piece === null ? 'Make piece' : piece.uses === 0 ? 'Save piece' : `Save on ${count(piece.uses, 'page')}`
    return (
        <WritingPlace.Provider value={place}>
            <div className="flex max-w-[1080px] gap-8">
                <form
                    className="grid min-w-0 flex-1 content-start gap-3"
                    onSubmit={event => {
                        event.preventDefault()
                        save.mutate()
                    }}
                >
                    <Field
                        stacked
                        label="Name"
                        value={name}
                        maxLength={100}
                        disabled={!site.may('files')}
                        hint="For those who work on the site; visitors do not see it."
                        error={problem?.reasonFor('name')?.reason}
                        onChange={event => setName(event.target.value)}
                    />
                    {site.may('files') && <Toolbar editor={editor} onSettings={setSettings} />}
                    <EditorContent
                        editor={editor}
                        className="rounded-md border border-line focus-within:border-heron"
                    />
                    {save.error !== null && problem?.reasonFor('name') === undefined && (
                        <Alert>{save.error.message}</Alert>
                    )}
                    {remove.error !== null && <Alert>{remove.error.message}</Alert>}
                    {site.may('files') && (
                        <DialogActions>
                            {piece?.uses === 0 && (
                                <Button variant="quiet" onClick={() => remove.mutate(piece.id)}>
                                    Delete for good
                                </Button>
                            )}
                            <Button type="submit" variant="main" disabled={!dirty || save.isPending}>
                                {act}
                            </Button>
                        </DialogActions>
                    )}
                </form>
                {piece !== null && (
                    <PieceBeside
                        piece={piece}
                        onBring={document => {
                            editor.commands.setContent(document)
                            setTyped(true)
                        }}
                    />
                )}
            </div>
            {settings !== null && (
                <BlockSettings editor={editor} settings={settings} onClose={() => setSettings(null)} />
            )}
        </WritingPlace.Provider>
    )
}
