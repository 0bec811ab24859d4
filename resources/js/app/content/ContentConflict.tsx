import { EditorContent, useEditor, type JSONContent } from '@tiptap/react'
import type { Schemas } from '../../api/client'
import { Button } from '../../ui/Button'
import { Modal } from '../../ui/Modal'
import { extensions } from './extensions'

type Props = {
    theirs: Schemas['Content']
    mine: JSONContent
    texts?: Schemas['TypedTexts']
    onKeepMine: () => void
    onJoin: (joined: JSONContent) => void
    onLater: () => void
}

/** Two people wrote: both versions side by side, and no way on that loses either. */
export function ContentConflict({ theirs, mine, texts, onKeepMine, onJoin, onLater }: Props) {
    const who = theirs.savedBy ?? 'Somebody'
    const joined: JSONContent = {
        ...mine,
        content: [...((theirs.document.content as JSONContent[] | undefined) ?? []), ...(mine.content ?? [])],
    }
    return (
        <Modal
            open
            onClose={onLater}
            alert
            width={900}
            title={`${who} saved this page meanwhile`}
            description="Nothing is lost whichever way you go: every saved version is kept, and yours is kept as your draft until it is saved."
        >
            <div className="grid gap-4 md:grid-cols-2">
                <Version title={`Saved by ${who}`} document={theirs.document} texts={texts && theirs.texts} />
                <Version title="Yours" document={mine} texts={texts} />
            </div>
            <div className="mt-4 flex flex-wrap justify-end gap-2">
                <Button onClick={onLater}>Decide later</Button>
                <Button onClick={() => onJoin(joined)}>Put mine below theirs</Button>
                <Button variant="main" onClick={onKeepMine}>
                    Save mine, keep theirs as earlier version
                </Button>
            </div>
        </Modal>
    )
}

type VersionProps = { title: string; document: JSONContent; texts: Schemas['TypedTexts'] | undefined }

function Version({ title, document, texts }: VersionProps) {
    const editor = useEditor({
        extensions: extensions(),
        content: document,
        editable: false,
        editorProps: { attributes: { class: 'writing', 'aria-label': title, role: 'document' } },
    })
    return (
        <section>
            <h3 className="mb-1.5 font-semibold">{title}</h3>
            {texts !== undefined && (
                <p className="mb-1.5">
                    <b className="font-semibold">{texts.heading}</b>
                    {texts.summary !== '' && <span className="block text-ink-2">{texts.summary}</span>}
                </p>
            )}
            <EditorContent
                editor={editor}
                className="max-h-[38vh] overflow-y-auto rounded-md border border-line px-4 py-3"
            />
        </section>
    )
}
