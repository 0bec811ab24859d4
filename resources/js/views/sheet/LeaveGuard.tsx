import { AskBeforeLeaving } from '../../app/AskBeforeLeaving'

/** Asks before a page with unsaved parts is left. */
export function LeaveGuard({ unsaved }: { unsaved: string[] }) {
    const content = unsaved.includes('content')
    return (
        <AskBeforeLeaving
            unsaved={unsaved.length > 0}
            part="page"
            title={`Leave with unsaved ${unsaved.join(' and ')}?`}
            description={
                content
                    ? 'What you typed is kept as your draft and offered when you come back. Visitors and others do not see it.'
                    : 'What you typed here is not saved yet and would be lost.'
            }
            leave={content && unsaved.length === 1 ? 'Leave, keep my draft' : 'Leave without saving'}
        />
    )
}
