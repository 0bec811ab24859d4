import { CircleHelp } from 'lucide-react'
import { Hint } from './Hint'

/** Pages of the guide, one a task. */
export type Task =
    | 'make-a-page'
    | 'labels'
    | 'move'
    | 'duplicate'
    | 'retire'
    | 'history'
    | 'main-menu'
    | 'front-page'
    | 'start-page'
    | 'poster'
    | 'offer-ended'
    | 'old-addresses'
    | 'search-texts'
    | 'reach'

/** The page of the guide for what is done here, in a tab of its own: what is being done stays as it is. */
export function HelpLink({ task }: { task: Task }) {
    return (
        <Hint description="How this is done">
            <a
                href={`/guide/${task}`}
                target="_blank"
                rel="noreferrer"
                aria-label="How this is done"
                className="grid size-6 shrink-0 place-items-center rounded text-ink-3 hover:text-heron"
            >
                <CircleHelp size={15} aria-hidden />
            </a>
        </Hint>
    )
}
