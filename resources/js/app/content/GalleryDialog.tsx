import { ArrowDown, ArrowUp, X } from 'lucide-react'
import { useState } from 'react'
import { Button } from '../../ui/Button'
import { FieldFrame } from '../../ui/Field'
import { IconButton } from '../../ui/IconButton'
import { Select } from '../../ui/Select'
import { FileDialog } from '../FileChooser'
import type { GalleryAttrs, PictureTexts } from './blocks'
import { DialogForm } from './DialogForm'
import { isComplete, PictureTextFields, settled } from './PictureTextFields'

const views = [
    ['grid', 'a grid'],
    ['slides', 'slides, one after the other'],
] as const

type Props = { gallery: GalleryAttrs; isNew: boolean; onClose: () => void; onTake: (gallery: GalleryAttrs) => void }

/** The pictures of a gallery, their texts and their order. */
export function GalleryDialog({ gallery: given, isNew, onClose, onTake }: Props) {
    const [view, setView] = useState(given.view)
    const [pictures, setPictures] = useState(given.pictures)
    const [missing, setMissing] = useState(false)
    const [choosing, setChoosing] = useState(isNew)
    const change = (i: number, texts: Partial<PictureTexts>) =>
        setPictures(before => before.map((each, at) => (at === i ? { ...each, ...texts } : each)))
    const move = (i: number, by: -1 | 1) =>
        setPictures(before => {
            const next = [...before]
            const [taken] = next.splice(i, 1)
            if (taken !== undefined) next.splice(i + by, 0, taken)
            return next
        })
    if (choosing)
        return (
            <FileDialog
                title="Picture for the gallery"
                pictures
                onClose={() => (pictures.length === 0 ? onClose() : setChoosing(false))}
                onFile={file => {
                    setPictures(before => [...before, { file: file.id, alt: '', decorative: false, caption: '' }])
                    setChoosing(false)
                }}
            />
        )
    const submit = () => {
        setMissing(true)
        if (pictures.length > 0 && pictures.every(isComplete)) onTake({ view, pictures: pictures.map(settled) })
    }
    return (
        <DialogForm
            title="Gallery"
            act={isNew ? 'Put in gallery' : 'Use gallery'}
            width={600}
            disabled={pictures.length === 0}
            onClose={onClose}
            onSubmit={submit}
        >
            <FieldFrame stacked label="Shown as">
                {({ id }) => <Select id={id} value={view} choices={views} onChoose={setView} />}
            </FieldFrame>
            <ol className="grid gap-4" aria-label="Pictures of the gallery">
                {pictures.map((picture, i) => (
                    <li key={`${picture.file} ${i}`} className="grid grid-cols-[112px_minmax(0,1fr)_auto] gap-3">
                        <img src={`/_files/${picture.file}/picture`} alt="" className="w-full rounded" />
                        <div className="grid gap-2">
                            <PictureTextFields texts={picture} missing={missing} onChange={texts => change(i, texts)} />
                        </div>
                        <div className="grid content-start gap-0.5 text-ink-2">
                            <IconButton
                                aria-label={`Move picture ${i + 1} up`}
                                disabled={i === 0}
                                onClick={() => move(i, -1)}
                            >
                                <ArrowUp size={15} aria-hidden />
                            </IconButton>
                            <IconButton
                                aria-label={`Move picture ${i + 1} down`}
                                disabled={i === pictures.length - 1}
                                onClick={() => move(i, 1)}
                            >
                                <ArrowDown size={15} aria-hidden />
                            </IconButton>
                            <IconButton
                                aria-label={`Remove picture ${i + 1}`}
                                onClick={() => setPictures(before => before.filter((_, at) => at !== i))}
                            >
                                <X size={15} aria-hidden />
                            </IconButton>
                        </div>
                    </li>
                ))}
            </ol>
            {pictures.length < 60 && (
                <div>
                    <Button onClick={() => setChoosing(true)}>Add a picture…</Button>
                </div>
            )}
        </DialogForm>
    )
}
