import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useRef, useState, type CSSProperties } from 'react'
import { answered, api } from '../../api/client'
import { keys } from '../../api/queries'
import { fileQuery } from '../../api/viewQueries'
import { notify } from '../../app/notify'
import { useSite } from '../../app/site'
import { Alert } from '../../ui/Alert'
import { Button, buttonClasses } from '../../ui/Button'
import { Muted } from '../../ui/Muted'
import { ReadFailure } from '../../ui/ReadFailure'
import { SidePanel } from '../../ui/SidePanel'
import { date } from '../../ui/time'
import { FileFields } from './FileFields'
import { ending, size, type FileDetail } from './files'
import { UsedIn } from './UsedIn'
import { Versions } from './Versions'

type Props = { id: string; folders: string[]; onClose: () => void; onReplace: (by: File) => void }

/** One file: what it shows, what is kept with it, where it is used, and what stood there before. */
export function FilePanel({ id, folders, onClose, onReplace }: Props) {
    const site = useSite()
    const detail = useQuery(fileQuery(site.key, id))
    const file = detail.data
    return (
        <SidePanel
            label="File"
            title={file?.name ?? 'Reading the file…'}
            description={
                file !== undefined &&
                `${ending(file.name)}, ${size(file.bytes)}${file.width !== null ? `, ${file.width} × ${file.height}` : ''}, changed ${date(file.changed)}`
            }
            close="Close the file"
            width="w-[380px]"
            onClose={onClose}
        >
            <div className="min-h-0 flex-1 overflow-y-auto px-4 pb-5">
                <ReadFailure of={detail} />
                {file !== undefined && (
                    <Detail key={file.id} file={file} folders={folders} onClose={onClose} onReplace={onReplace} />
                )}
            </div>
        </SidePanel>
    )
}

const TALLEST = 220

function roomOf({ width, height }: FileDetail): CSSProperties {
    if (!width || !height) return { height: TALLEST, maxWidth: '100%' }
    return {
        aspectRatio: `${width} / ${height}`,
        width: `min(100%, ${width}px, ${(TALLEST * width) / height}px)`,
    }
}

function Detail({ file, folders, onReplace }: Omit<Props, 'id'> & { file: FileDetail }) {
    const site = useSite()
    const queries = useQueryClient()
    const input = useRef<HTMLInputElement>(null)
    const [shown, show] = useState(false)
    const renew = () => queries.invalidateQueries({ queryKey: keys.site(site.key) })
    const params = { path: { site: site.key, file: file.id } }
    const bin = useMutation({
        mutationFn: () => answered(api.DELETE('/sites/{site}/files/{file}', { params })),
        onSuccess: () => {
            notify.success(`“${file.name}” is in the bin.`)
            return renew()
        },
    })
    const back = useMutation({
        mutationFn: () => answered(api.PATCH('/sites/{site}/files/{file}', { params, body: { binned: false } })),
        onSuccess: renew,
    })
    return (
        <div className="grid gap-4">
            {file.small !== null && (
                <img
                    src={`${file.address}?v=${file.number}`}
                    alt={file.alt}
                    // Its room is kept before it has come, so that nothing below moves under the mouse.
                    style={roomOf(file)}
                    className="justify-self-center rounded bg-sunk object-contain"
                />
            )}
            <div className="flex flex-wrap gap-1.5">
                {site.may('files') && file.binned === null && (
                    <>
                        <Button onClick={() => input.current?.click()}>Replace…</Button>
                        <input
                            ref={input}
                            type="file"
                            aria-label="File to put in its place"
                            className="sr-only"
                            tabIndex={-1}
                            onChange={event => {
                                const by = event.target.files?.[0]
                                if (by !== undefined) onReplace(by)
                                event.target.value = ''
                            }}
                        />
                    </>
                )}
                <a
                    href={`${file.address}?v=${file.number}`}
                    target="_blank"
                    rel="noreferrer"
                    className={buttonClasses('quiet')}
                >
                    Open
                </a>
                {site.may('files') && file.binned !== null && (
                    <Button variant="main" disabled={back.isPending} onClick={() => back.mutate()}>
                        Bring back
                    </Button>
                )}
                {site.may('files') && file.binned === null && file.uses === 0 && (
                    <Button variant="quiet" disabled={bin.isPending} onClick={() => bin.mutate()}>
                        Put in bin
                    </Button>
                )}
            </div>
            {bin.error !== null && <Alert>{bin.error.message}</Alert>}
            <FileFields file={file} folders={folders} />
            <section aria-label="Used in" className="border-t border-line pt-3">
                <h3 className="mb-1 font-semibold">Used in</h3>
                {file.usedIn.length === 0 ? (
                    <Muted small>Nothing uses it. It can go into the bin, and come back from there.</Muted>
                ) : (
                    <UsedIn uses={shown ? file.usedIn : file.usedIn.slice(0, 12)} site={site.key} />
                )}
                {file.usedIn.length > 12 && !shown && (
                    <Button variant="quiet" onClick={() => show(true)}>
                        All {file.usedIn.length}
                    </Button>
                )}
            </section>
            <Versions file={file} onBrought={renew} />
        </div>
    )
}
