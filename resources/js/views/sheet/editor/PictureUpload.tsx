import { useMutation } from '@tanstack/react-query'
import type { Editor } from '@tiptap/react'
import { useRef, useState, type ReactNode } from 'react'
import { answered, api } from '../../../api/client'
import { Hint } from '../../../ui/Hint'
import { insertBlock } from './insertBlock'
import { PictureDialog } from './PictureDialog'
import { toolClasses } from './toolClasses'

/** Takes in a picture and asks for its texts before it is placed. */
export function PictureUpload({ editor, site, icon }: { editor: Editor; site: string; icon: ReactNode }) {
    const input = useRef<HTMLInputElement>(null)
    const [file, setFile] = useState<string | null>(null)
    const upload = useMutation({
        mutationFn: (picture: File) => {
            const form = new FormData()
            form.set('picture', picture)
            return answered(
                api.POST('/sites/{site}/files', {
                    params: { path: { site } },
                    body: { picture: picture.name },
                    bodySerializer: () => form,
                }),
            )
        },
        onSuccess: taken => setFile(taken.id),
    })
    return (
        <>
            <Hint description="Picture">
                <button
                    type="button"
                    aria-label="Picture"
                    disabled={upload.isPending}
                    onClick={() => input.current?.click()}
                    className={toolClasses}
                >
                    {icon}
                </button>
            </Hint>
            <input
                ref={input}
                type="file"
                accept="image/jpeg,image/png,image/webp,image/gif"
                aria-label="Picture file"
                className="hidden"
                onChange={event => {
                    const chosen = event.target.files?.[0]
                    event.target.value = ''
                    if (chosen !== undefined) upload.mutate(chosen)
                }}
            />
            {upload.isPending && (
                <span role="status" className="text-[12px] text-ink-3">
                    Taking in the picture…
                </span>
            )}
            {upload.error !== null && (
                <span role="alert" className="text-[12px] text-berry">
                    {upload.error.message}
                </span>
            )}
            {file !== null && (
                <PictureDialog
                    picture={{ file, alt: '', decorative: false, caption: '', align: 'centre', width: 100 }}
                    onClose={() => setFile(null)}
                    onTake={picture => {
                        insertBlock(editor, { type: 'picture', attrs: picture })
                        setFile(null)
                    }}
                />
            )}
        </>
    )
}
