import clsx from 'clsx'
import { Dialog } from 'radix-ui'
import { createContext, useContext, useEffect, useRef, type ReactNode } from 'react'
import { HelpLink, type Task } from './HelpLink'
import { WaitsBelow } from './waitsBelow'

type Props = {
    open: boolean
    onClose: () => void
    title: string
    description?: string
    children: ReactNode
    width?: number
    alert?: boolean
    /** The guide's page for what is done in it. */
    help?: Task
}

/** How wide the dialog is from which another one is opened; null outside of any. */
const Around = createContext<number | null>(null)

/** A dialog over everything, closed with Esc. With `alert` it waits for an answer. One that another opens stands beside it. */
export function Modal({ open, onClose, title, description, children, width = 460, alert = false, help }: Props) {
    const around = useContext(Around)
    const waits = useContext(WaitsBelow)
    const waited = useRef(waits)
    useEffect(() => {
        if (waits && !waited.current && open) onClose()
        waited.current = waits
    }, [onClose, open, waits])
    return (
        <Dialog.Root open={open} onOpenChange={now => now || onClose()}>
            <Dialog.Portal>
                <Dialog.Overlay className={clsx('fixed inset-0 z-40', around === null && 'bg-[rgb(22_38_47/0.35)]')} />
                <Dialog.Content
                    style={{
                        width,
                        // Beside the first, as far as there is room.
                        ...(around === null
                            ? {}
                            : {
                                  left: `max(16px, min(calc(50% + ${around / 2 - 24}px), calc(100vw - ${width + 16}px)))`,
                              }),
                    }}
                    onInteractOutside={event => alert && event.preventDefault()}
                    {...(description === undefined ? { 'aria-describedby': undefined } : {})}
                    className={clsx(
                        'fixed z-50 max-h-[76vh] max-w-[calc(100vw-32px)] scroll-pb-20 overflow-y-auto rounded-lg bg-sheet p-5 shadow-float outline-none',
                        around === null ? 'top-[14vh] left-1/2 -translate-x-1/2' : 'top-[18vh] border border-edge',
                    )}
                >
                    <div className="flex items-center gap-0.5">
                        <Dialog.Title className="text-[17px] leading-6 font-bold">{title}</Dialog.Title>
                        {help !== undefined && <HelpLink task={help} />}
                    </div>
                    {description !== undefined && (
                        <Dialog.Description className="mt-1 text-ink-2">{description}</Dialog.Description>
                    )}
                    <Around value={width}>
                        <div className="mt-4">{children}</div>
                    </Around>
                </Dialog.Content>
            </Dialog.Portal>
        </Dialog.Root>
    )
}
