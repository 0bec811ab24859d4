import { EditorContent, useEditor, useEditorState } from '@tiptap/react'
import StarterKit from '@tiptap/starter-kit'
import clsx from 'clsx'
import type { Schemas } from '../../api/client'
import { documentOf } from '../../app/document'
import { inputClasses } from '../../ui/Field'

type Message = Schemas['Document']

/** The message of a pause page: a few paragraphs and lists with bold and italic. */
export function PauseMessage({
    message,
    disabled,
    onMessage,
}: {
    message: Message
    disabled: boolean
    onMessage: (message: Message) => void
}) {
    const editor = useEditor({
        extensions: [
            StarterKit.configure({
                heading: false,
                blockquote: false,
                code: false,
                codeBlock: false,
                horizontalRule: false,
                strike: false,
                underline: false,
                link: false,
                hardBreak: false,
            }),
        ],
        content: message as object,
        editable: !disabled,
        editorProps: {
            attributes: {
                'aria-label': 'Message',
                role: 'textbox',
                'aria-multiline': 'true',
                class: 'min-h-[72px] outline-none [&_p]:mb-1.5 [&_ul]:list-disc [&_ul]:pl-5',
            },
        },
        onUpdate: ({ editor: now }) => onMessage(documentOf(now.getJSON())),
    })
    const marks = useEditorState({
        editor,
        selector: ({ editor: now }) => ({
            bold: now?.isActive('bold') === true,
            italic: now?.isActive('italic') === true,
            list: now?.isActive('bulletList') === true,
        }),
    })
    const tools: [keyof typeof marks, string, string, () => void][] = [
        ['bold', 'Bold', 'B', () => editor?.chain().focus().toggleBold().run()],
        ['italic', 'Italic', 'I', () => editor?.chain().focus().toggleItalic().run()],
        ['list', 'List', '•', () => editor?.chain().focus().toggleBulletList().run()],
    ]
    return (
        <div className={clsx(inputClasses, 'px-0! py-0!')}>
            {!disabled && (
                <div role="toolbar" aria-label="Of the message" className="flex gap-1 border-b border-line px-1.5 py-1">
                    {tools.map(([mark, name, sign, run]) => (
                        <button
                            key={mark}
                            type="button"
                            aria-label={name}
                            aria-pressed={marks?.[mark] === true}
                            onClick={run}
                            className={clsx(
                                'grid size-6 place-items-center rounded font-semibold',
                                mark === 'italic' && 'italic',
                                marks?.[mark] === true ? 'bg-heron-soft text-heron' : 'hover:bg-sunk',
                            )}
                        >
                            {sign}
                        </button>
                    ))}
                </div>
            )}
            <EditorContent editor={editor} className="px-2.5 py-1.5" />
        </div>
    )
}
