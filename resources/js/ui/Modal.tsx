import { Dialog } from 'radix-ui'
import type { ReactNode } from 'react'

type Props = {
    open: boolean
    onClose: () => void
    title: string
    description?: string
    children: ReactNode
    width?: number
    alert?: boolean
}

/** A dialog over everything, closed with Esc. With `alert` it waits for an answer. */
export function Modal({ open, onClose, title, description, children, width = 460, alert = false }: Props) {
    return (
        <Dialog.Root open={open} onOpenChange={now => now || onClose()}>
            <Dialog.Portal>
                <Dialog.Overlay className="fixed inset-0 z-40 bg-[rgb(22_38_47/0.35)]" />
                <Dialog.Content
                    style={{ width }}
                    onInteractOutside={event => alert && event.preventDefault()}
                    {...(description === undefined ? { 'aria-describedby': undefined } : {})}
                    className="fixed top-[14vh] left-1/2 z-50 max-h-[76vh] max-w-[calc(100vw-32px)] -translate-x-1/2 overflow-y-auto rounded-lg bg-sheet p-5 shadow-float outline-none"
                >
                    <Dialog.Title className="text-[17px] leading-6 font-bold">{title}</Dialog.Title>
                    {description !== undefined && (
                        <Dialog.Description className="mt-1 text-ink-2">{description}</Dialog.Description>
                    )}
                    <div className="mt-4">{children}</div>
                </Dialog.Content>
            </Dialog.Portal>
        </Dialog.Root>
    )
}
