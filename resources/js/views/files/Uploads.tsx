import { X } from 'lucide-react'
import { Button } from '../../ui/Button'
import { count } from '../../ui/count'
import { IconButton } from '../../ui/IconButton'
import type { Upload } from './useUploads'

type Props = { uploads: Upload[]; onStop: () => void; onClose: () => void }

/** How far the files are that were dropped, and why some were not taken. */
export function Uploads({ uploads, onStop, onClose }: Props) {
    const open = uploads.filter(each => each.state === 'waiting' || each.state === 'sending')
    const failed = uploads.filter(each => each.state === 'failed')
    const share = uploads.reduce((sum, each) => sum + (each.state === 'failed' ? 1 : each.share), 0) / uploads.length
    return (
        <section aria-label="Uploads" className="shrink-0 border-t border-line bg-sheet px-4 py-2.5">
            <div className="flex items-center gap-3">
                <p role="status" className="font-semibold">
                    {open.length > 0
                        ? `Uploading ${count(uploads.length, 'file')}: ${count(open.length, 'is', 'are')} left`
                        : `${count(uploads.length - failed.length, 'file')} uploaded${failed.length > 0 ? `, ${failed.length} not` : ''}`}
                </p>
                <progress value={share} max={1} aria-label="Uploaded" className="h-1.5 min-w-0 flex-1 accent-heron" />
                {open.length > 0 ? (
                    <Button variant="quiet" onClick={onStop}>
                        Stop
                    </Button>
                ) : (
                    <IconButton aria-label="Close the uploads" onClick={onClose} className="text-ink-2">
                        <X size={15} aria-hidden />
                    </IconButton>
                )}
            </div>
            {failed.length > 0 && (
                <ul className="mt-2 max-h-[120px] overflow-y-auto text-[13px]">
                    {failed.map(each => (
                        <li key={each.id}>
                            <b className="font-semibold">{each.name}</b>: {each.reason}
                        </li>
                    ))}
                </ul>
            )}
        </section>
    )
}
