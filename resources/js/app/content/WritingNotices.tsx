import clsx from 'clsx'
import { Button } from '../../ui/Button'
import { Muted } from '../../ui/Muted'
import { clock } from '../../ui/time'
import { useSite } from '../site'
import { ContentConflict } from './ContentConflict'
import type { useOthers } from './useOthers'
import type { Writing } from './useWriting'

/** What somebody who writes has to answer: a draft that waits, and what was saved meanwhile. */
export function WritingNotices({ writing, texts }: { writing: Writing; texts?: boolean }) {
    const { offered, saving } = writing
    return (
        <>
            {offered !== null && (
                <div role="status" className="rounded-md bg-heron-soft px-3 py-2">
                    <p>You have an unsaved draft from {clock(offered.typed)}.</p>
                    <div className="mt-1.5 flex flex-wrap gap-2">
                        <Button variant="main" onClick={writing.resume}>
                            Continue with the draft
                        </Button>
                        <Button onClick={writing.dropDraft}>Discard it</Button>
                    </div>
                </div>
            )}
            {saving.conflict !== null && (
                <ContentConflict
                    theirs={saving.conflict}
                    mine={writing.editor.getJSON()}
                    {...(texts === true ? { texts: writing.texts } : {})}
                    onKeepMine={() => saving.conflict !== null && writing.saveOver(saving.conflict)}
                    onJoin={joined => {
                        writing.replace(joined)
                        if (saving.conflict !== null) writing.saveOver(saving.conflict, joined)
                    }}
                    onLater={saving.dismiss}
                />
            )}
        </>
    )
}

/** Who else has the page open, or has saved it meanwhile. It comes and goes by itself, so it stands where nothing makes room for it. */
export function OthersHere({
    writing,
    others,
    className,
}: {
    writing: Writing
    others: ReturnType<typeof useOthers>
    className?: string
}) {
    const site = useSite()
    const { saving, base } = writing
    const [first, ...more] = others.others
    const isSaved = others.version > base.version && others.savedBy !== site.session.name && saving.conflict === null
    if (others.failure !== null)
        return <Muted small>Could not check whether somebody else is editing this page: {others.failure.message}</Muted>
    if (!isSaved && first === undefined) return null
    return (
        <p role="status" className={clsx('rounded-md bg-amber-soft text-amber', className)}>
            {isSaved
                ? `${others.savedBy ?? 'Somebody'} has saved this page since you opened it. When you save, you see both.`
                : `${first}${more.length === 0 ? ' has' : ` and ${more.length} more have`} this page open too. Whoever saves second sees both.`}
        </p>
    )
}

/** Whether what is written is saved, in a line. */
export function writingStatus({ dirty, draft, base }: Writing) {
    if (dirty) return draft.kept === null ? 'Not saved yet.' : `Kept as your private draft at ${clock(draft.kept)}.`
    if (base.saved === null) return 'Nothing written yet.'
    return `Saved${base.savedBy === null ? '' : ` by ${base.savedBy}`}, version ${base.version}.`
}
