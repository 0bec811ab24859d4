import { useMutation, useQuery } from '@tanstack/react-query'
import clsx from 'clsx'
import { useState } from 'react'
import { csrfToken, type Schemas } from '../api/client'
import { filesQuery } from '../api/viewQueries'
import { Button } from '../ui/Button'
import { fileLook, inputClasses } from '../ui/Field'
import { Modal } from '../ui/Modal'
import { useDebounced } from '../ui/useDebounced'
import { useSite } from './site'
import { Alert } from '../ui/Alert'

export type ChosenFile = Pick<Schemas['File'], 'id' | 'name' | 'alt' | 'caption'>

type Props = {
    chosen: { id: string; name: string } | null
    pictures?: boolean
    onFile: (file: ChosenFile) => void
}

/** A file of the site: one that is there already, or a new one from this machine. */
export function FileChooser({ chosen, pictures = false, onFile }: Props) {
    const site = useSite()
    const [text, setText] = useState('')
    const { data: files = [] } = useQuery(filesQuery(site.key, useDebounced(text.trim(), 100), pictures))
    const upload = useMutation({
        mutationFn: async (file: File) => {
            const body = new FormData()
            body.append('file', file)
            const response = await fetch(`/api/v1/sites/${site.key}/documents`, {
                method: 'POST',
                headers: { 'X-XSRF-TOKEN': csrfToken(), Accept: 'application/json' },
                body,
            })
            const answer = (await response.json()) as Schemas['File'] & {
                errors?: { reason: string }[]
                detail?: string
            }
            if (!response.ok) throw new Error(answer.errors?.[0]?.reason ?? answer.detail ?? 'The file was not taken.')
            return answer
        },
        onSuccess: onFile,
    })
    return (
        <div className="grid gap-2">
            <input
                aria-label="Find a file"
                placeholder="Find a file by its name"
                value={text}
                onChange={event => setText(event.target.value)}
                className={inputClasses}
            />
            <ul aria-label="Files" className="h-[180px] overflow-y-auto rounded-md border border-line p-1">
                {files.map(file => (
                    <li key={file.id}>
                        <button
                            type="button"
                            aria-pressed={chosen?.id === file.id}
                            onClick={() => onFile(file)}
                            className={clsx(
                                'flex w-full items-center gap-2.5 rounded px-2 py-1 text-left',
                                chosen?.id === file.id ? 'bg-heron-soft' : 'hover:bg-sunk',
                            )}
                        >
                            {pictures && (
                                <img
                                    src={`/_files/${file.id}/picture`}
                                    alt=""
                                    className="h-8 w-12 shrink-0 rounded-sm object-cover"
                                />
                            )}
                            <span className="truncate">{file.name}</span>
                        </button>
                    </li>
                ))}
                {files.length === 0 && (
                    <li className="px-2 py-1 text-ink-3">
                        {text.trim() === '' ? 'No files here yet.' : `No file is called “${text.trim()}”.`}
                    </li>
                )}
            </ul>
            <p className="pt-1 text-ink-2">Or upload a new one:</p>
            <input
                type="file"
                aria-label="File"
                accept={pictures ? 'image/jpeg,image/png,image/webp,image/gif' : undefined}
                onChange={event => event.target.files?.[0] !== undefined && upload.mutate(event.target.files[0])}
                className={fileLook}
            />
            <p role="status" className="text-[12px] text-ink-3">
                {upload.isPending
                    ? 'Uploading…'
                    : chosen !== null
                      ? `${chosen.name} is ready.`
                      : pictures
                        ? 'JPEG, PNG, WebP or GIF, up to 32 MB.'
                        : 'PDF, spreadsheets, text, calendars, tracks, archives, films and pictures, up to 32 MB.'}
            </p>
            {upload.error !== null && <Alert>{upload.error.message}</Alert>}
        </div>
    )
}

/** Asks for one file, and goes as soon as there is one. */
export function FileDialog({
    title,
    pictures = false,
    onClose,
    onFile,
}: {
    title: string
    pictures?: boolean
    onClose: () => void
    onFile: Props['onFile']
}) {
    return (
        <Modal open onClose={onClose} title={title} width={440}>
            <FileChooser chosen={null} pictures={pictures} onFile={onFile} />
            <div className="mt-3 flex justify-end">
                <Button onClick={onClose}>Cancel</Button>
            </div>
        </Modal>
    )
}
