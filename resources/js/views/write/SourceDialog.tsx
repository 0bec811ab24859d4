import { useMutation, useQuery } from '@tanstack/react-query'
import type { Editor, JSONContent } from '@tiptap/react'
import { useState } from 'react'
import { answered, api, type Schemas } from '../../api/client'
import { documentOf } from '../../app/document'
import { notify } from '../../app/notify'
import { useSite } from '../../app/site'
import { Alert } from '../../ui/Alert'
import { Button } from '../../ui/Button'
import { Choice } from '../../ui/Choice'
import { DialogActions } from '../../ui/DialogActions'
import { inputClasses } from '../../ui/Field'
import { Modal } from '../../ui/Modal'
import { ReadFailure } from '../../ui/ReadFailure'

type As = 'markdown' | 'html'
type Props = { editor: Editor; page: string; onClose: () => void }

/** The content as Markdown or HTML: to look at, to copy, to edit. What cannot be kept is said before it is taken. */
export function SourceDialog({ editor, page, onClose }: Props) {
    const site = useSite()
    const params = { path: { site: site.key, page } }
    const [as, setAs] = useState<As>('markdown')
    const [typed, setTyped] = useState<string | null>(null)
    const [document] = useState(() => documentOf(editor.getJSON()))
    const written = useQuery({
        queryKey: ['site', site.key, 'source', page, as],
        queryFn: ({ signal }) =>
            answered(api.POST('/sites/{site}/pages/{page}/source', { params, body: { document, as }, signal })),
        staleTime: 0,
        gcTime: 0,
        retry: false,
    })
    const text = typed ?? written.data?.text ?? ''
    const read = useMutation({
        mutationFn: () => answered(api.POST('/sites/{site}/pages/{page}/source-read', { params, body: { text, as } })),
        onSuccess: answer => {
            if (answer.lost.length === 0) take(answer)
        },
    })
    const take = (answer: Schemas['ReadContent']) => {
        editor.commands.setContent(answer.document as JSONContent, { emitUpdate: true })
        onClose()
    }
    const lost = read.data?.lost ?? []
    return (
        <Modal open onClose={onClose} alert={typed !== null} title="Markdown and HTML" width={760}>
            <div className="grid gap-3">
                <div className="flex items-center gap-4">
                    {(['markdown', 'html'] as const).map(each => (
                        <Choice
                            key={each}
                            type="radio"
                            name="as"
                            checked={as === each}
                            disabled={typed !== null && as !== each}
                            onChange={() => setAs(each)}
                        >
                            {each === 'html' ? 'HTML' : 'Markdown'}
                        </Choice>
                    ))}
                    <Button
                        className="ml-auto"
                        onClick={() =>
                            void navigator.clipboard
                                .writeText(text)
                                .then(() => notify.success('Copied.'))
                                .catch(() =>
                                    notify.error(
                                        'The browser does not allow copying here. Select it and press Ctrl+C.',
                                    ),
                                )
                        }
                    >
                        Copy all
                    </Button>
                </div>
                <ReadFailure of={written} />
                <textarea
                    aria-label="Content as text"
                    spellCheck={false}
                    readOnly={!editor.isEditable}
                    value={text}
                    onChange={event => {
                        setTyped(event.target.value)
                        read.reset()
                    }}
                    className={`${inputClasses} h-[44vh] resize-none font-mono text-[12.5px] leading-5`}
                />
                {read.error !== null && <Alert>{read.error.message}</Alert>}
                {lost.length > 0 && (
                    <div role="alert" className="rounded-md bg-amber-soft px-3 py-2 text-amber">
                        <p className="font-semibold">This cannot be kept:</p>
                        <ul className="list-disc pl-5">
                            {lost.map(each => (
                                <li key={each}>{each}</li>
                            ))}
                        </ul>
                    </div>
                )}
                <DialogActions>
                    <Button onClick={onClose}>{typed === null ? 'Close' : 'Discard'}</Button>
                    {editor.isEditable && (
                        <Button
                            variant="main"
                            disabled={typed === null || read.isPending}
                            onClick={() =>
                                lost.length > 0 && read.data !== undefined ? take(read.data) : read.mutate()
                            }
                        >
                            {lost.length > 0 ? 'Use it without these' : 'Use it'}
                        </Button>
                    )}
                </DialogActions>
            </div>
        </Modal>
    )
}
