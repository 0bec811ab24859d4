import { AskBeforeLeaving } from '../../app/AskBeforeLeaving'

/** Asks before a page with unsaved parts is left. */
export function LeaveGuard({ unsaved }: { unsaved: string[] }) {
    const words = unsaved.includes('words')
    return (
        <AskBeforeLeaving
            unsaved={unsaved.length > 0}
            part="page"
            title={`Leave with unsaved ${unsaved.join(' and ')}?`}
            says={
                words
                    ? 'Your words are kept as your draft and offered when you come back. Visitors and others do not see them.'
                    : 'What you typed here is not saved yet and would be lost.'
            }
            leave={words && unsaved.length === 1 ? 'Leave, keep my draft' : 'Leave without saving'}
        />
    )
}
