import { useEditorState, type Editor } from '@tiptap/react'
import clsx from 'clsx'
import type { Schemas } from '../../api/client'
import { Muted } from '../../ui/Muted'
import { VersionNote } from '../../app/content/VersionNote'
import { OthersHere, WritingNotices } from '../../app/content/WritingNotices'
import type { useOthers } from '../../app/content/useOthers'
import type { Writing } from '../../app/content/useWriting'
import { Alert } from '../../ui/Alert'
import { placeOf } from './Notes'

type Props = {
    writing: Writing
    others: ReturnType<typeof useOthers>
    review: Schemas['ReviewedContent']
}

/** Beside the page: its outline of headings, what may be mended, and what is said of the version that is saved next. */
export function RoomSide({ writing, others, review }: Props) {
    const { editor, dirty, saving } = writing
    return (
        <aside
            aria-label="About this page"
            className="flex w-[248px] shrink-0 flex-col gap-4 overflow-y-auto border-l border-line bg-sheet px-4 py-3 max-lg:w-[200px]"
        >
            <div className="grid gap-2 empty:hidden">
                <WritingNotices writing={writing} texts />
                {saving.problem !== null && <Alert>{saving.problem}</Alert>}
            </div>
            <Headings editor={editor} />
            <ToMend editor={editor} review={review} />
            <div className="mt-auto grid gap-3">
                <OthersHere writing={writing} others={others} className="px-3 py-2" />
                {dirty && (
                    <div className="grid gap-2 border-t border-line pt-3">
                        <VersionNote writing={writing} placeholder="What changed?" minor="A minor change" />
                    </div>
                )}
            </div>
        </aside>
    )
}

const head = 'mb-1 text-[12px] font-semibold text-ink-3'
const line = 'block w-full rounded px-1.5 py-0.5 text-left hover:bg-sunk'

function goTo(editor: Editor, at: number) {
    editor
        .chain()
        .setTextSelection(at + 1)
        .focus()
        .scrollIntoView()
        .run()
}

function Headings({ editor }: { editor: Editor }) {
    const headings = useEditorState({
        editor,
        selector: ({ editor: now }) => {
            const found: { at: number; level: number; text: string }[] = []
            now.state.doc.descendants((node, at) => {
                if (node.type.name === 'heading')
                    found.push({ at, level: Number(node.attrs.level), text: node.textContent })
                return !node.isTextblock
            })
            return found
        },
        equalityFn: (one, other) => JSON.stringify(one) === JSON.stringify(other),
    })
    return (
        <nav aria-label="Headings">
            <h2 className={head}>Headings</h2>
            {headings.length === 0 ? (
                <Muted small>None yet. They divide a long page, and links can lead to them.</Muted>
            ) : (
                <ul>
                    {headings.map(({ at, level, text }) => (
                        <li key={at}>
                            <button
                                type="button"
                                className={clsx(line, 'truncate', level === 3 && 'pl-4', level === 4 && 'pl-7')}
                                onClick={() => goTo(editor, at)}
                            >
                                {text === '' ? <span className="text-berry">no text</span> : text}
                            </button>
                        </li>
                    ))}
                </ul>
            )}
        </nav>
    )
}

function ToMend({ editor, review }: { editor: Editor; review: Schemas['ReviewedContent'] }) {
    const notes = review.notes.flatMap(note => {
        const at = placeOf(editor.state.doc, note.path)
        return at === null ? [] : [{ ...note, at }]
    })
    return (
        <section aria-label="To fix">
            <h2 className={head}>To fix</h2>
            {notes.length === 0 && <Muted small>Nothing noticed.</Muted>}
            <ul className="grid gap-1">
                {notes.map(note => (
                    <li key={`${note.at} ${note.code} ${note.text}`}>
                        <button
                            type="button"
                            className={`${line} text-[13px] leading-5`}
                            onClick={() => goTo(editor, note.at)}
                        >
                            <span className="mr-1.5 inline-block size-2 rounded-full bg-amber" aria-hidden />
                            {note.text}
                        </button>
                    </li>
                ))}
            </ul>
        </section>
    )
}
