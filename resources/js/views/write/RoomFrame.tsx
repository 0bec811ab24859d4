import { Selection } from '@tiptap/pm/state'
import { EditorContent } from '@tiptap/react'
import { useCallback, useEffect, useRef, useState, type ReactNode } from 'react'
import { createPortal } from 'react-dom'
import type { Texts, Writing } from '../../app/content/useWriting'

type Places = { heading: HTMLElement; summary: HTMLElement; content: HTMLElement }

type Props = {
    address: string
    title: string
    /** Width of the page, px; null for as wide as there is room. */
    width: number | null
    writing: Writing
    editable: boolean
    onFrame: (document: Document) => void
    /** What stands above the page. */
    tools: ReactNode
}

/** The page in its real layout. Heading, summary and content are written in place; everything else is only seen. */
export function RoomFrame({ address, title, width, writing, editable, onFrame, tools }: Props) {
    const [places, setPlaces] = useState<Places | null>(null)
    const loaded = useCallback(
        (frame: HTMLIFrameElement) => {
            const document = frame.contentDocument
            const find = (name: string) => document?.querySelector<HTMLElement>(`[data-room="${name}"]`) ?? null
            const [heading, summary, content] = [find('heading'), find('summary'), find('content')]
            if (document === null || heading === null || summary === null || content === null) return
            passKeysOn(document)
            keepInPlace(document)
            setPlaces({ heading, summary, content })
            onFrame(document)
        },
        [onFrame],
    )
    return (
        <div className="relative min-h-0 min-w-0 flex-1 overflow-hidden bg-sunk">
            <div
                className="relative mx-auto h-full max-w-full overflow-hidden bg-white"
                style={width === null ? undefined : { width }}
            >
                <iframe
                    title={title}
                    src={address}
                    onLoad={event => loaded(event.currentTarget)}
                    className="size-full border-0"
                />
                {places !== null && <div className="pointer-events-none absolute inset-0 overflow-hidden">{tools}</div>}
            </div>
            {places !== null && (
                <>
                    <TypedText
                        element={places.heading}
                        name="heading"
                        label="Heading of the page"
                        writing={writing}
                        editable={editable}
                        onEnter={() => places.summary.focus()}
                    />
                    <TypedText
                        element={places.summary}
                        name="summary"
                        label="Summary of the page"
                        writing={writing}
                        editable={editable}
                        onEnter={() => {
                            // At once: the next key may come before the next frame is drawn.
                            const { state, view } = writing.editor
                            view.dispatch(state.tr.setSelection(Selection.atStart(state.doc)))
                            view.focus()
                        }}
                    />
                    {createPortal(<EditorContent editor={writing.editor} />, places.content)}
                </>
            )}
        </div>
    )
}

type TypedProps = {
    element: HTMLElement
    name: keyof Texts
    label: string
    writing: Writing
    editable: boolean
    onEnter: () => void
}

/** A line of the page that is written in place, as plain text. */
function TypedText({ element, name, label, writing, editable, onEnter }: TypedProps) {
    const text = writing.texts[name]
    const latest = useRef({ type: writing.type, onEnter })
    useEffect(() => {
        latest.current = { type: writing.type, onEnter }
    })
    useEffect(() => {
        show(element, text)
    }, [element, text])
    useEffect(() => {
        if (!editable) return
        element.setAttribute('contenteditable', 'plaintext-only')
        element.setAttribute('role', 'textbox')
        element.setAttribute('aria-label', label)
        element.setAttribute('spellcheck', 'true')
        const typed = () => latest.current.type({ [name]: element.textContent.replace(/\s*\n\s*/g, ' ') })
        const pressed = (event: KeyboardEvent) => {
            if (event.key !== 'Enter') return
            event.preventDefault()
            latest.current.onEnter()
        }
        element.addEventListener('input', typed)
        element.addEventListener('keydown', pressed)
        return () => {
            element.removeEventListener('input', typed)
            element.removeEventListener('keydown', pressed)
        }
    }, [editable, element, label, name])
    return null
}

/** What is typed stands there already; anything else comes from a draft, or from what was saved. */
function show(element: HTMLElement, text: string) {
    if (element.textContent !== text) element.textContent = text
}

/** Links and forms of the page are there to be seen and written on: following one would leave the page. */
function keepInPlace(frame: Document) {
    frame.addEventListener(
        'click',
        event => {
            if ((event.target as Element).closest('a, summary, button') !== null) event.preventDefault()
        },
        true,
    )
    frame.addEventListener('submit', event => event.preventDefault(), true)
}

/** Keys of the application hold in the frame too: what nothing there has taken is pressed again outside. */
function passKeysOn(frame: Document) {
    frame.addEventListener('keydown', event => {
        const { key, ctrlKey, metaKey, shiftKey, altKey } = event
        const isOurs = 'sk.'.includes(key.toLowerCase()) || (shiftKey && key.toLowerCase() === 'l')
        if (event.defaultPrevented || !(ctrlKey || metaKey) || !isOurs) return
        event.preventDefault()
        window.dispatchEvent(
            new KeyboardEvent('keydown', { key, ctrlKey, metaKey, shiftKey, altKey, cancelable: true }),
        )
    })
}
