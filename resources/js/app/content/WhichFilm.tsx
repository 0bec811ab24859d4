import { useMutation } from '@tanstack/react-query'
import { useState } from 'react'
import { answered, api } from '../../api/client'
import { Field } from '../../ui/Field'
import { FileChooser } from '../FileChooser'
import { useSite } from '../site'
import type { VideoAttrs } from './blocks'
import { DialogForm } from './DialogForm'

type Film = Pick<VideoAttrs, 'file' | 'address' | 'poster'> & { title?: string }

/** A film of one's own, or one that another site shows, which is asked what it is. */
export function WhichFilm({ onClose, onFilm }: { onClose: () => void; onFilm: (film: Film) => void }) {
    const site = useSite()
    const [address, setAddress] = useState('')
    const look = useMutation({
        mutationFn: () =>
            answered(api.POST('/sites/{site}/films', { params: { path: { site: site.key } }, body: { address } })),
        onSuccess: film =>
            onFilm({
                file: null,
                address: film.address,
                title: film.title,
                poster: film.poster === null ? null : { file: film.poster },
            }),
    })
    return (
        <DialogForm
            title="Video"
            act="Look it up"
            disabled={address.trim() === '' || look.isPending}
            onClose={onClose}
            onSubmit={() => look.mutate()}
        >
            <Field
                stacked
                autoFocus
                label="Address of a video on another site"
                placeholder="https://"
                value={address}
                hint="Visitors see a picture of it; nothing is loaded from there before they click."
                error={look.error?.message}
                onChange={event => setAddress(event.target.value)}
            />
            <h3 className="mt-2 font-semibold">Or a video of your own</h3>
            <p className="text-[12px] text-ink-3">MP4 or WebM, up to 32 MB.</p>
            <FileChooser chosen={null} onFile={file => onFilm({ file: file.id, address: null })} />
        </DialogForm>
    )
}
