import { Choice } from '../../ui/Choice'
import { inputClasses } from '../../ui/Field'
import type { Writing } from './useWriting'

type Props = { writing: Writing; placeholder: string; minor: string; choiceClasses?: string }

/** What is said of the version that is saved next: what changed, and whether others need to look at it. */
export function VersionNote({ writing: { said, say }, placeholder, minor, choiceClasses }: Props) {
    return (
        <>
            <input
                aria-label="What changed"
                placeholder={placeholder}
                maxLength={500}
                value={said.note}
                onChange={event => say({ ...said, note: event.target.value })}
                className={inputClasses}
            />
            <Choice
                {...(choiceClasses === undefined ? {} : { className: choiceClasses })}
                checked={said.minor}
                onChange={event => say({ ...said, minor: event.target.checked })}
            >
                {minor}
            </Choice>
        </>
    )
}
