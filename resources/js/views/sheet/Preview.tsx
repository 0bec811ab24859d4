import { Dialog } from 'radix-ui'
import type { Schemas } from '../../api/client'
import { useSite } from '../../app/site'
import { Button } from '../../ui/Button'

/** The page in its real design, with the words being worked on. */
export function Preview({ open, onClose, sheet }: { open: boolean; onClose: () => void; sheet: Schemas['PageSheet'] }) {
    const site = useSite()
    return (
        <Dialog.Root open={open} onOpenChange={now => now || onClose()}>
            <Dialog.Portal>
                <Dialog.Overlay className="fixed inset-0 z-40 bg-[rgb(22_38_47/0.35)]" />
                <Dialog.Content aria-describedby={undefined} className="fixed inset-[4vh_4vw] z-50 grid grid-rows-[48px_1fr] overflow-hidden rounded-lg bg-sheet shadow-float">
                    <div className="flex items-center gap-3 px-4">
                        <Dialog.Title className="font-bold">Preview of {sheet.name}</Dialog.Title>
                        <Button className="ml-auto" onClick={onClose}>Close preview</Button>
                    </div>
                    <iframe title={`Preview of ${sheet.name}`} src={`/preview/${site.key}/${sheet.id}`} sandbox="" className="size-full border-0 border-t border-line bg-white" />
                </Dialog.Content>
            </Dialog.Portal>
        </Dialog.Root>
    )
}
