import { useState } from 'react'
import { Button } from '../../ui/Button'
import { FieldFrame } from '../../ui/Field'
import { Select } from '../../ui/Select'
import { FileDialog } from '../FileChooser'
import type { LinkAttrs, Picture } from './blocks'
import { DialogForm } from './DialogForm'
import { LinkChooser } from './LinkChooser'
import { isComplete, PictureTextFields, settled } from './PictureTextFields'

const aligns = [
    ['left', 'left'],
    ['centre', 'centre'],
    ['right', 'right'],
] as const

const widths = [
    [25, '25 %'],
    [50, '50 %'],
    [75, '75 %'],
    [100, '100 %'],
] as const

const clicks = [
    ['nothing', 'does nothing'],
    ['enlarge', 'shows it larger'],
    ['link', 'leads somewhere'],
] as const

type Props = { picture: Picture; isNew: boolean; onClose: () => void; onTake: (picture: Picture) => void }

/** Which picture, its texts, where it stands, and what a click on it does. */
export function PictureDialog({ picture: given, isNew, onClose, onTake }: Props) {
    const [picture, setPicture] = useState(given)
    const [missing, setMissing] = useState(false)
    const [choosing, setChoosing] = useState(given.file === '')
    const [click, setClick] = useState<(typeof clicks)[number][0]>(
        given.link ? 'link' : given.enlarge === true ? 'enlarge' : 'nothing',
    )
    const [link, setLink] = useState<LinkAttrs | null>(given.link ?? null)
    const set = (change: Partial<Picture>) => setPicture(before => ({ ...before, ...change }))
    if (choosing)
        return (
            <FileDialog
                title="Picture"
                pictures
                onClose={() => (picture.file === '' ? onClose() : setChoosing(false))}
                onFile={file => {
                    // What is kept with the file stands until something is said here.
                    set({ file: file.id, alt: picture.alt || file.alt, caption: picture.caption || file.caption })
                    setChoosing(false)
                }}
            />
        )
    const submit = () => {
        setMissing(true)
        if (!isComplete(picture) || (click === 'link' && link === null)) return
        onTake({
            ...settled(picture),
            enlarge: click === 'enlarge' ? true : undefined,
            link: click === 'link' ? link : undefined,
        })
    }
    return (
        <DialogForm title="Picture" act="Use picture" onClose={onClose} onSubmit={submit}>
            <div className="grid h-[150px] grid-cols-[1fr_auto] items-end gap-3">
                <img src={`/_files/${picture.file}/picture`} alt="" className="max-h-[150px] max-w-full rounded" />
                <Button variant="quiet" onClick={() => setChoosing(true)}>
                    Another picture…
                </Button>
            </div>
            <PictureTextFields texts={picture} missing={missing} autoFocus={isNew} onChange={set} />
            <div className="grid grid-cols-3 gap-3">
                <FieldFrame stacked label="Alignment">
                    {({ id }) => (
                        <Select id={id} value={picture.align} choices={aligns} onChoose={align => set({ align })} />
                    )}
                </FieldFrame>
                <FieldFrame stacked label="Width">
                    {({ id }) => (
                        <Select id={id} value={picture.width} choices={widths} onChoose={width => set({ width })} />
                    )}
                </FieldFrame>
                <FieldFrame stacked label="A click on it">
                    {({ id }) => <Select id={id} value={click} choices={clicks} onChoose={setClick} />}
                </FieldFrame>
            </div>
            {click === 'link' && <LinkChooser link={link} missing={missing} onLink={setLink} />}
        </DialogForm>
    )
}
