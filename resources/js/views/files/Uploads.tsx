import { X } from 'lucide-react'
import { Button } from '../../ui/Button'
import { count } from '../../ui/count'
import { IconButton } from '../../ui/IconButton'
import type { Upload } from './useUploads'

type Props = { uploads: Upload[]; onStop: () => void; onClose: () => void }

const states = { waiting: 'waits', sending: 'is being sent', done: 'uploaded', failed: '' }

/** How far the files are that were dropped, and why some were not taken; as high whatever is said of them. */
export function Uploads({ uploads, onStop, onClose }: Props) {
    const open = uploads.filter(each => each.state === 'waiting' || each.state === 'sending')
    const failed = uploads.filter(each => each.state === 'failed')
    const share = uploads.reduce((sum, each) => sum + (each.state === 'failed' ? 1 : each.share), 0) / uploads.length
    return (
        <section aria-label="Uploads" className="shrink-0 border-t border-line bg-sheet px-4 py-2.5">
            <div className="flex h-[30px] items-center gap-3">
                <p role="status" className="w-[240px] shrink-0 font-semibold">
                    {open.length > 0
                        ? `Uploading ${count(uploads.length, 'file')}: ${count(open.length, 'is', 'are')} left`
                        : `${count(uploads.length - failed.length, 'file')} uploaded${failed.length > 0 ? `, ${failed.length} not` : ''}`}
                </p>
                <progress value={share} max={1} aria-label="Uploaded" className="track min-w-0 flex-1" />
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
            <ul aria-label="Files on their way" tabIndex={0} className="mt-2 h-[62px] overflow-y-auto text-[13px]">
                {[...failed, ...uploads.filter(each => each.state !== 'failed')].map(each => (
                    <li key={each.id} className="flex gap-2">
                        <b className="shrink-0 font-semibold">{each.name}</b>
                        <span className={each.state === 'failed' ? 'text-berry' : 'text-ink-3'}>
                            {each.state === 'failed' ? each.reason : states[each.state]}
                        </span>
                    </li>
                ))}
            </ul>
        </section>
    )
}
