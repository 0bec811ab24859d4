import { useState } from 'react'
import { Button } from '../../ui/Button'
import { Field } from '../../ui/Field'
import { FileDialog } from '../FileChooser'
import type { VideoAttrs } from './blocks'
import { DialogForm } from './DialogForm'
import { WhichFilm } from './WhichFilm'

type Props = { video: VideoAttrs; isNew: boolean; onClose: () => void; onTake: (video: VideoAttrs) => void }
type Choosing = 'film' | 'poster' | 'captions'

const titles: Record<Choosing, string> = {
    film: 'Video',
    poster: 'Picture before the video plays',
    captions: 'Captions',
}

/** A film: its title, the picture that stands for it, and its captions. */
export function VideoDialog({ video: given, isNew, onClose, onTake }: Props) {
    const [video, setVideo] = useState(given)
    const [choosing, setChoosing] = useState<Choosing | null>(given.file || given.address ? null : 'film')
    const [missing, setMissing] = useState(false)
    const set = (change: Partial<VideoAttrs>) => setVideo(before => ({ ...before, ...change }))
    if (choosing === 'film')
        return (
            <WhichFilm
                onClose={() => (video.file || video.address ? setChoosing(null) : onClose())}
                onFilm={film => {
                    set({ ...film, title: video.title || film.title || '', poster: video.poster ?? film.poster })
                    setChoosing(null)
                }}
            />
        )
    if (choosing !== null)
        return (
            <FileDialog
                title={titles[choosing]}
                pictures={choosing === 'poster'}
                onClose={() => setChoosing(null)}
                onFile={file => {
                    if (choosing === 'poster') set({ poster: { file: file.id } })
                    if (choosing === 'captions')
                        set({ captions: { file: file.id, language: video.captions?.language ?? 'en' } })
                    setChoosing(null)
                }}
            />
        )
    const submit = () => {
        setMissing(true)
        if (video.title.trim() !== '') onTake({ ...video, title: video.title.trim(), caption: video.caption.trim() })
    }
    const choose = (what: Choosing, isThere: boolean) => (
        <Button onClick={() => setChoosing(what)}>{isThere ? 'Change…' : 'Choose…'}</Button>
    )
    const line = 'flex items-center gap-3'
    return (
        <DialogForm title="Video" act={isNew ? 'Insert video' : 'Use video'} onClose={onClose} onSubmit={submit}>
            <Field
                stacked
                autoFocus
                label="Title"
                value={video.title}
                maxLength={200}
                onChange={event => set({ title: event.target.value })}
                error={
                    missing && video.title.trim() === ''
                        ? 'A video needs a title, for people who cannot see it.'
                        : undefined
                }
            />
            <Field
                stacked
                label="Caption below it"
                value={video.caption}
                maxLength={500}
                onChange={event => set({ caption: event.target.value })}
            />
            <p className={line}>
                <span className="w-[210px] text-ink-2">The video</span> {choose('film', true)}
            </p>
            <p className={line}>
                <span className="w-[210px] text-ink-2">Picture before it plays</span>{' '}
                {choose('poster', Boolean(video.poster))}
                {video.poster && (
                    <Button variant="quiet" onClick={() => set({ poster: null })}>
                        Remove
                    </Button>
                )}
            </p>
            {video.address == null && (
                <>
                    <p className={line}>
                        <span className="w-[210px] text-ink-2">Captions (WebVTT)</span>{' '}
                        {choose('captions', Boolean(video.captions))}
                        {video.captions && (
                            <Button variant="quiet" onClick={() => set({ captions: null })}>
                                Remove
                            </Button>
                        )}
                    </p>
                    {video.captions && (
                        <Field
                            stacked
                            label="Language of the captions"
                            value={video.captions.language}
                            maxLength={35}
                            hint="As a tag: en, de, gd …"
                            onChange={event =>
                                video.captions && set({ captions: { ...video.captions, language: event.target.value } })
                            }
                        />
                    )}
                </>
            )}
        </DialogForm>
    )
}
