import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { filesInFoldersQuery } from '../../api/viewQueries'
import { Button } from '../../ui/Button'
import { FieldFrame } from '../../ui/Field'
import { Select } from '../../ui/Select'
import { FileDialog } from '../FileChooser'
import { useSite } from '../site'
import type { GalleryAttrs, PictureTexts } from './blocks'
import { DialogForm } from './DialogForm'
import { OrderButtons } from './OrderButtons'
import { isComplete, PictureTextFields, settled } from './PictureTextFields'

const views = [
    ['grid', 'a grid'],
    ['slides', 'slides, one after the other'],
] as const

type Props = { gallery: GalleryAttrs; isNew: boolean; onClose: () => void; onTake: (gallery: GalleryAttrs) => void }

/** The pictures of a gallery, their texts and their order. */
export function GalleryDialog({ gallery: given, isNew, onClose, onTake }: Props) {
    const [view, setView] = useState(given.view)
    const [pictures, setPictures] = useState(given.pictures ?? [])
    const [folder, setFolder] = useState(given.folder ?? '')
    const site = useSite()
    const files = useQuery(filesInFoldersQuery(site.key))
    const inFolders = (files.data ?? []).filter(file => file.folder !== '' && file.kind === 'picture')
    const folders = [...new Set(inFolders.map(file => file.folder))].sort()
    const [missing, setMissing] = useState(false)
    const [choosing, setChoosing] = useState(false)
    const change = (i: number, texts: Partial<PictureTexts>) =>
        setPictures(before => before.map((each, at) => (at === i ? { ...each, ...texts } : each)))
    if (choosing)
        return (
            <FileDialog
                title="Picture for the gallery"
                pictures
                onClose={() => setChoosing(false)}
                onFile={file => {
                    setPictures(before => [
                        ...before,
                        { file: file.id, alt: file.alt, decorative: false, caption: file.caption },
                    ])
                    setChoosing(false)
                }}
            />
        )
    const submit = () => {
        setMissing(true)
        if (folder !== '') onTake({ view, folder, pictures: null })
        else if (pictures.length > 0 && pictures.every(isComplete))
            onTake({ view, folder: null, pictures: pictures.map(settled) })
    }
    return (
        <DialogForm
            title="Gallery"
            act={isNew ? 'Insert gallery' : 'Use gallery'}
            width={600}
            disabled={folder === '' && pictures.length === 0}
            onClose={onClose}
            onSubmit={submit}
        >
            <FieldFrame stacked label="Shown as">
                {({ id }) => <Select id={id} value={view} choices={views} onChoose={setView} />}
            </FieldFrame>
            <FieldFrame
                stacked
                label="Pictures"
                hint={
                    folder === ''
                        ? undefined
                        : 'By name, each with the text kept with its file; what is added to the folder appears here.'
                }
            >
                {({ id }) => (
                    <Select
                        id={id}
                        value={folder}
                        choices={[
                            ['', 'chosen here'],
                            ...folders.map(each => [each, `all in the folder ${each}`] as const),
                        ]}
                        onChoose={setFolder}
                    />
                )}
            </FieldFrame>
            {folder === '' && (
                <ol className="grid gap-4" aria-label="Pictures of the gallery">
                    {pictures.map((picture, i) => (
                        <li key={`${picture.file} ${i}`} className="grid grid-cols-[112px_minmax(0,1fr)_auto] gap-3">
                            <img src={`/_files/${picture.file}/picture`} alt="" className="w-full rounded" />
                            <div className="grid gap-2">
                                <PictureTextFields
                                    texts={picture}
                                    missing={missing}
                                    onChange={texts => change(i, texts)}
                                />
                            </div>
                            <div className="grid content-start gap-0.5 text-ink-2">
                                <OrderButtons list={pictures} at={i} called="picture" onChange={setPictures} />
                            </div>
                        </li>
                    ))}
                </ol>
            )}
            {folder === '' && pictures.length < 60 && (
                <div>
                    <Button onClick={() => setChoosing(true)}>Add a picture…</Button>
                </div>
            )}
        </DialogForm>
    )
}
