import { X } from 'lucide-react'
import type { ReactNode } from 'react'
import { IconButton } from './IconButton'

type Props = {
    label: string
    title: string
    description?: ReactNode
    mono?: boolean
    close: string
    width: string
    onClose: () => void
    children: ReactNode
}

/** What stands beside a list: about the row that is open, or to take things from. */
export function SidePanel({ label, title, description, mono = false, close, width, onClose, children }: Props) {
    return (
        <aside aria-label={label} className={`flex shrink-0 flex-col border-l border-line bg-paper ${width}`}>
            <div className="flex items-start justify-between gap-2 px-4 pt-3.5 pb-2">
                <div className="min-w-0">
                    <h2
                        className={
                            mono
                                ? 'font-mono text-[15px] leading-6 font-semibold break-all'
                                : 'truncate text-[17px] leading-6 font-bold'
                        }
                    >
                        {title}
                    </h2>
                    {description !== undefined && <p className="text-[12px] text-ink-3">{description}</p>}
                </div>
                <IconButton aria-label={close} onClick={onClose} className="size-7!">
                    <X size={16} aria-hidden />
                </IconButton>
            </div>
            {children}
        </aside>
    )
}
