import { Button } from '../../ui/Button'
import { Muted } from '../../ui/Muted'
import { clock } from '../../ui/time'
import { useSite } from '../site'
import { ContentConflict } from './ContentConflict'
import type { useOthers } from './useOthers'
import type { Writing } from './useWriting'

const amber = 'rounded-md bg-amber-soft px-3 py-2 text-amber'

/** What somebody who writes has to know: a draft that waits, who else is here, and what was saved meanwhile. */
export function WritingNotices({
    writing,
    others,
    texts,
}: {
    writing: Writing
    others: ReturnType<typeof useOthers>
    texts?: boolean
}) {
    const site = useSite()
    const { offered, saving, base } = writing
    const names = others.others
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
            {others.failure !== null && (
                <Muted small>
                    Could not check whether somebody else is editing this page: {others.failure.message}
                </Muted>
            )}
            {names.length > 0 && (
                <p role="status" className={amber}>
                    {names.join(' and ')} {names.length === 1 ? 'has' : 'have'} this page open too. Whoever saves second
                    is shown both versions.
                </p>
            )}
            {others.version > base.version && others.savedBy !== site.session.name && saving.conflict === null && (
                <p role="status" className={amber}>
                    {others.savedBy ?? 'Somebody'} has saved this page since you opened it. When you save, you see both.
                </p>
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

/** Whether what is written is saved, in a line. */
export function writingStatus({ dirty, draft, base }: Writing) {
    if (dirty) return draft.kept === null ? 'Not saved yet.' : `Kept as your private draft at ${clock(draft.kept)}.`
    if (base.saved === null) return 'Nothing written yet.'
    return `Saved${base.savedBy === null ? '' : ` by ${base.savedBy}`}, version ${base.version}.`
}
