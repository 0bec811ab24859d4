import { useBlocker } from '@tanstack/react-router'
import { Button } from '../../ui/Button'
import { Modal } from '../../ui/Modal'

/** Asks before a page with unsaved parts is left. */
export function LeaveGuard({ unsaved }: { unsaved: string[] }) {
    const blocker = useBlocker({
        shouldBlockFn: ({ current, next }) => unsaved.length > 0 && (current.pathname !== next.pathname || pageOf(current.search) !== pageOf(next.search)),
        enableBeforeUnload: () => unsaved.length > 0,
        withResolver: true,
    })
    const words = unsaved.includes('words')
    return (
        <Modal open={blocker.status === 'blocked'} onClose={() => blocker.reset?.()} alert title={`Leave with unsaved ${unsaved.join(' and ')}?`} says={words ? 'Your words are kept as your draft and offered when you come back. Visitors and others do not see them.' : 'What you typed here is not saved yet and would be lost.'}>
            <div className="flex justify-end gap-2">
                <Button onClick={() => blocker.proceed?.()}>{words && unsaved.length === 1 ? 'Leave, keep my draft' : 'Leave without saving'}</Button>
                <Button look="main" onClick={() => blocker.reset?.()}>Stay</Button>
            </div>
        </Modal>
    )
}

function pageOf(search: object) {
    return 'page' in search ? search.page : undefined
}
