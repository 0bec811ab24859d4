import type { Schemas } from '../../api/client'
import { Button } from '../../ui/Button'
import { Muted } from '../../ui/Muted'
import type { OpenPage } from './search'

type Props = {
    answers: Schemas['AnswerToSearch'][]
    onPage: OpenPage
    /** Opens the dialog for these words, or for new ones; null for somebody who may not. */
    onAnswer: ((words: string) => void) | null
}

/** What stands first when visitors search for certain words. */
export function Answers({ answers, onPage, onAnswer }: Props) {
    return (
        <section aria-label="Answers" className="grid content-start gap-2">
            <div className="flex items-baseline justify-between gap-3">
                <h2 className="text-[16px] font-bold">Answers</h2>
                {onAnswer !== null && <Button onClick={() => onAnswer('')}>New answer</Button>}
            </div>
            {answers.length === 0 && (
                <Muted>
                    None yet. An answer stands first when somebody searches for its words: a page, a sentence, or both.
                </Muted>
            )}
            <ul>
                {answers.map(answer => (
                    <li key={answer.words} className="flex items-start gap-3 border-t border-line py-1.5">
                        <span className="min-w-0 flex-1">
                            <b className="font-semibold break-words">{answer.words}</b>
                            {answer.page !== null && (
                                <span className="block">
                                    <button
                                        type="button"
                                        className="text-left text-heron hover:underline"
                                        onClick={() => answer.page !== null && onPage(answer.page, 'details')}
                                    >
                                        {answer.name ?? 'a page that is gone'}
                                    </button>
                                    {!answer.isSeen && (
                                        <span className="text-[12px] text-berry"> visitors do not see it</span>
                                    )}
                                </span>
                            )}
                            {answer.text !== '' && <span className="block text-ink-2">{answer.text}</span>}
                        </span>
                        {onAnswer !== null && (
                            <Button variant="quiet" onClick={() => onAnswer(answer.words)}>
                                Change
                            </Button>
                        )}
                    </li>
                ))}
            </ul>
        </section>
    )
}
