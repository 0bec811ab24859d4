import { useBlocker } from '@tanstack/react-router'
import { Button } from '../ui/Button'
import { Modal } from '../ui/Modal'
import { DialogActions } from '../ui/DialogActions'

type Props = { unsaved: boolean; part: string; title: string; description: string; leave: string }

/** Asks before something unsaved is left: another view, another `part` of this one, or the browser's window. */
export function AskBeforeLeaving({ unsaved, part, title, description, leave }: Props) {
    const partOf = (search: object) => (search as Record<string, unknown>)[part]
    const blocker = useBlocker({
        shouldBlockFn: ({ current, next }) =>
            unsaved && (current.pathname !== next.pathname || partOf(current.search) !== partOf(next.search)),
        enableBeforeUnload: () => unsaved,
        withResolver: true,
    })
    return (
        <Modal
            open={blocker.status === 'blocked'}
            onClose={() => blocker.reset?.()}
            alert
            title={title}
            description={description}
        >
            <DialogActions>
                <Button onClick={() => blocker.proceed?.()}>{leave}</Button>
                <Button variant="main" onClick={() => blocker.reset?.()}>
                    Stay
                </Button>
            </DialogActions>
        </Modal>
    )
}
