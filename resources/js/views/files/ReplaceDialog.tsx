import { useQuery, useQueryClient } from '@tanstack/react-query'
import { useEffect, useState } from 'react'
import { keys } from '../../api/queries'
import { fileQuery } from '../../api/viewQueries'
import { notify } from '../../app/notify'
import { Alert } from '../../ui/Alert'
import { Button } from '../../ui/Button'
import { count } from '../../ui/count'
import { DialogActions } from '../../ui/DialogActions'
import { Modal } from '../../ui/Modal'
import { sendFile, size, type SiteFile } from './files'
import { UsedIn } from './UsedIn'

type Props = { site: string; file: SiteFile; by: File; onClose: () => void }

/** What stands there and what would, and everything that shows it, before it is replaced. */
export function ReplaceDialog({ site, file, by, onClose }: Props) {
    const queries = useQueryClient()
    const detail = useQuery(fileQuery(site, file.id))
    const [share, setShare] = useState<number | null>(null)
    const [problem, setProblem] = useState<string | null>(null)
    const [preview] = useState(() => (by.type.startsWith('image/') ? URL.createObjectURL(by) : null))
    useEffect(() => () => URL.revokeObjectURL(preview ?? ''), [preview])
    const uses = detail.data?.usedIn ?? []
    const replace = async () => {
        setShare(0)
        setProblem(null)
        try {
            await sendFile(`${site}/files/${file.id}/content`, by, {}, setShare)
            await queries.invalidateQueries({ queryKey: keys.site(site) })
            notify.success(`“${file.name}” is replaced. The old one is kept under its earlier versions.`)
            onClose()
        } catch (refused) {
            setShare(null)
            setProblem(refused instanceof Error ? refused.message : 'It was not taken.')
        }
    }
    return (
        <Modal open onClose={onClose} alert title={`Replace ${file.name}?`} width={560}>
            <div className="grid grid-cols-2 gap-4">
                <Side title="Now" picture={file.small} detail={`${file.name}, ${size(file.bytes)}`} />
                <Side title="Then" picture={preview} detail={`${by.name}, ${size(by.size)}`} />
            </div>
            <p className="mt-4">
                {detail.data === undefined
                    ? 'Looking where it is used…'
                    : uses.length === 0
                      ? 'Nothing uses it. Its address stays.'
                      : `Its address stays, and ${count(uses.length, 'place shows', 'places show')} the new one at once:`}
            </p>
            <div className="mt-2 max-h-[160px] overflow-y-auto">
                <UsedIn uses={uses} site={site} />
            </div>
            {problem !== null && <Alert className="mt-3">{problem}</Alert>}
            <DialogActions className="mt-4">
                {share !== null && (
                    <progress value={share} max={1} aria-label="Uploaded" className="track mr-auto max-w-[160px]" />
                )}
                <Button onClick={onClose}>Cancel</Button>
                <Button variant="main" disabled={share !== null} onClick={() => void replace()}>
                    Replace it
                </Button>
            </DialogActions>
        </Modal>
    )
}

function Side({ title, picture, detail }: { title: string; picture: string | null; detail: string }) {
    return (
        <figure className="min-w-0">
            <figcaption className="text-[12px] text-ink-3">{title}</figcaption>
            <div className="relative mt-1 grid h-[140px] place-items-center overflow-hidden rounded bg-sunk">
                {picture !== null ? (
                    <img src={picture} alt="" className="absolute inset-0 size-full object-contain" />
                ) : (
                    <span className="text-ink-3">No picture</span>
                )}
            </div>
            <p className="mt-1 truncate text-[12px] text-ink-2">{detail}</p>
        </figure>
    )
}
