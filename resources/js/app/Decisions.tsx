import { useState } from 'react'
import type { Schemas } from '../api/client'
import { Button } from '../ui/Button'
import { count } from '../ui/count'
import { useChanges, type Pending } from './changes'
import { PickPage } from './PickPage'
import { heldBy, wayOutLabel } from './conflicts'
import { noteWords } from './noteWords'
import { Choice } from '../ui/Choice'

/** What has to be decided, and what should not come as a surprise. */
export function Decisions({ pending }: { pending: Pending }) {
    const { conflicts, questions, account } = pending.ripple
    return (
        <div className="grid content-start gap-4">
            {conflicts.map(conflict => (
                <ConflictView key={conflict.address + conflict.page + (conflict.redirect ?? '')} conflict={conflict} />
            ))}
            {questions.map(question => (
                <QuestionView key={question.kind + question.page} question={question} />
            ))}
            {account.notes.length > 0 && (
                <ul className="grid gap-1.5 border-l-2 border-amber pl-4" aria-label="Good to know">
                    {account.notes.map(note => (
                        <li key={note.kind + note.page + (note.other ?? '')}>{noteWords(note)}</li>
                    ))}
                </ul>
            )}
        </div>
    )
}

function ConflictView({ conflict }: { conflict: Schemas['Conflict'] }) {
    const { amend } = useChanges()
    const [typing, setTyping] = useState(false)
    const [slug, setSlug] = useState('')
    return (
        <div className="border-l-2 border-amber pl-4">
            <h3 className="font-semibold text-amber">To decide</h3>
            <p className="mb-2">{heldBy(conflict)}</p>
            <div className="flex flex-wrap gap-2">
                {conflict.waysOut.map(way =>
                    way.kind === 'choose-another' ? (
                        <Button key={way.kind} onClick={() => setTyping(true)}>
                            {conflict.redirect === null ? 'Choose another slug' : 'Choose another address'}
                        </Button>
                    ) : (
                        <Button key={way.kind} onClick={() => void amend(way)}>
                            {wayOutLabel(way)}
                        </Button>
                    ),
                )}
            </div>
            {typing && (
                <form
                    className="mt-2 flex gap-2"
                    onSubmit={event => {
                        event.preventDefault()
                        void amend({
                            changes: [
                                conflict.redirect === null
                                    ? { kind: 'set-slug', page: conflict.page, slug }
                                    : { kind: 'change-redirect', redirect: conflict.redirect, source: slug },
                            ],
                        })
                    }}
                >
                    <input
                        autoFocus
                        aria-label={conflict.redirect === null ? 'Another slug' : 'Another address'}
                        value={slug}
                        onChange={event => setSlug(event.target.value)}
                        className="h-[30px] w-full rounded-[5px] border border-edge bg-sheet px-2 font-mono text-[13px]"
                    />
                    <Button type="submit" disabled={slug.trim() === ''}>
                        Use it
                    </Button>
                </form>
            )}
        </div>
    )
}

type Question = Schemas['Question']
type Answer = Question['answers'][number]

function asks({ kind, name, count: n }: Question) {
    if (kind === 'retired')
        return (
            <>
                What do visitors get at {count(n, 'address', 'addresses')} of “{name}” from now on?
            </>
        )
    if (kind === 'children-of')
        return (
            <>
                “{name}” has {count(n, 'page')} inside. What becomes of {n === 1 ? 'it' : 'them'}?
            </>
        )
    if (kind === 'menu-entries')
        return (
            <>
                {count(n, 'menu entry leads', 'menu entries lead')} to “{name}”{n === 1 ? '' : ' or what is inside'}.
                What becomes of {n === 1 ? 'it' : 'them'}?
            </>
        )
    if (kind === 'raw-links')
        return (
            <>
                {count(n, 'link')} in content {n === 1 ? 'is written as an address' : 'are written as addresses'}, so{' '}
                {n === 1 ? 'it does' : 'they do'} not follow by {n === 1 ? 'itself' : 'themselves'}.
            </>
        )
    if (kind === 'in-between')
        return (
            <>
                “{name}”, with what is below it, had {count(n, 'address', 'addresses')} only since this change, and
                visitors may know {n === 1 ? 'it' : 'them'}. What do they get there from now on?
            </>
        )
    return (
        <>
            {count(n, 'draft')} lie{n === 1 ? 's' : ''} below “{name}”.
        </>
    )
}

function answerWords(answer: Answer, { heir, kind, count: n }: Question) {
    const words: Record<Answer, string> = {
        parent: `Redirect to ${heir?.name ?? 'the page above'}`,
        gone: 'Return 410 (gone)',
        page: 'Redirect to another page…',
        along: 'Put them in the bin as well',
        up: 'Move them up in its place',
        leave:
            kind === 'raw-links' || kind === 'menu-entries'
                ? `Leave ${n === 1 ? 'it as it is' : 'them as they are'}`
                : 'Leave them drafts',
        remove: n === 1 ? 'Remove it' : 'Remove them',
        rewrite: n === 1 ? 'Turn it into a link to its page' : 'Turn them into links to their pages',
        live: 'Put them live too',
        redirect: n === 1 ? 'Redirect it to the page' : 'Redirect each to its page',
        free: 'Stop answering there: page not found (404)',
    }
    return words[answer]
}

function QuestionView({ question }: { question: Question }) {
    const { amend } = useChanges()
    const [picking, setPicking] = useState(false)
    const chosen = question.answer ?? (question.open ? null : question.default)
    const choose = (answer: Answer) => {
        if (answer === 'page') setPicking(true)
        else void amend({ changes: [], decisions: [{ kind: question.kind, page: question.page, answer }] })
    }
    return (
        <fieldset className={question.open ? 'border-l-2 border-amber pl-4' : 'border-l-2 border-line pl-4'}>
            <legend className="sr-only">{question.open ? 'To decide' : 'Decided'}</legend>
            <p className={question.open ? 'font-semibold' : ''}>
                {question.open && <span className="text-amber">To decide: </span>}
                {asks(question)}
            </p>
            <div className="mt-1 grid gap-1">
                {question.answers.map(answer => (
                    <Choice
                        key={answer}
                        type="radio"
                        name={question.kind + question.page}
                        checked={chosen === answer}
                        onClick={() => answer === 'page' && setPicking(true)}
                        onChange={() => choose(answer)}
                    >
                        {answerWords(answer, question)}
                        {answer === question.default && question.open && (
                            <span className="text-[12px] text-ink-3">default</span>
                        )}
                    </Choice>
                ))}
            </div>
            <PickPage
                open={picking}
                title="Where visitors are sent"
                onClose={() => setPicking(false)}
                onPick={page => {
                    setPicking(false)
                    void amend({
                        changes: [],
                        decisions: [{ kind: question.kind, page: question.page, answer: 'page', to: page.id }],
                    })
                }}
            />
        </fieldset>
    )
}
