import { useState } from 'react'
import type { Schemas } from '../../api/client'
import { useChanges } from '../../app/changes'
import { PageList } from '../../app/PickPage'
import { Alert } from '../../ui/Alert'
import { Button } from '../../ui/Button'
import { DialogActions } from '../../ui/DialogActions'
import { Field, FieldFrame, inputClasses } from '../../ui/Field'
import { Modal } from '../../ui/Modal'

type Props = { words: string; stands: Schemas['AnswerToSearch'] | undefined; onClose: () => void }

/** Sets what stands first when visitors search for these words. */
export function AnswerSearch({ words: asked, stands, onClose }: Props) {
    const { propose } = useChanges()
    const [words, setWords] = useState(asked)
    const [page, setPage] = useState(
        stands?.page === null || stands === undefined ? null : { id: stands.page, name: stands.name ?? 'a page' },
    )
    const [text, setText] = useState(stands?.text ?? '')
    const [choosing, choose] = useState(stands === undefined)
    const [problem, setProblem] = useState<{ field: string; reason: string } | null>(null)
    const [busy, setBusy] = useState(false)
    const save = async (answer: { page: string | null; text: string }) => {
        setBusy(true)
        setProblem(null)
        await propose({
            title: `Answering searches for “${words}”`,
            act: 'Save the answer',
            now: true,
            batch: { changes: [{ kind: 'answer-search', words, ...answer }] },
            done: onClose,
            failed: failed => {
                const first = failed.problem.errors?.[0]
                setProblem({ field: first?.field ?? '', reason: first?.reason ?? failed.message })
            },
        })
        setBusy(false)
    }
    const reasonOf = (field: string) => (problem?.field.endsWith(field) === true ? problem.reason : undefined)
    return (
        <Modal
            open
            onClose={onClose}
            title={asked === '' ? 'New answer' : `Answer searches for “${asked}”`}
            description="It stands first among the results, whether anything else is found or not."
            width={560}
        >
            <form
                className="grid gap-3"
                onSubmit={event => {
                    event.preventDefault()
                    void save({ page: page?.id ?? null, text })
                }}
            >
                {asked === '' && (
                    <Field
                        stacked
                        autoFocus
                        label="Words that visitors search for"
                        value={words}
                        maxLength={100}
                        error={reasonOf('words')}
                        placeholder="pet passport"
                        onChange={event => setWords(event.target.value)}
                    />
                )}
                <div className="grid gap-1">
                    <span className="flex items-baseline justify-between gap-3">
                        <span className="text-ink-2">Page that stands first</span>
                        {!choosing && (
                            <span className="flex">
                                <Button variant="quiet" onClick={() => choose(true)}>
                                    {page === null ? 'Choose a page' : 'Choose another'}
                                </Button>
                                {page !== null && (
                                    <Button variant="quiet" onClick={() => setPage(null)}>
                                        No page
                                    </Button>
                                )}
                            </span>
                        )}
                    </span>
                    {choosing ? (
                        <PageList
                            chosen={page?.id ?? null}
                            onPick={picked => {
                                setPage(picked)
                                choose(false)
                            }}
                        />
                    ) : (
                        <b className="font-semibold">{page?.name ?? 'None'}</b>
                    )}
                    {reasonOf('page') !== undefined && <Alert>{reasonOf('page')}</Alert>}
                </div>
                <FieldFrame
                    stacked
                    label="Sentence for visitors"
                    error={reasonOf('text')}
                    hint="May stand by itself, or below the page."
                >
                    {({ id, describedBy }) => (
                        <textarea
                            id={id}
                            aria-describedby={describedBy}
                            rows={2}
                            value={text}
                            onChange={event => setText(event.target.value)}
                            className={`${inputClasses} resize-y`}
                        />
                    )}
                </FieldFrame>
                <DialogActions>
                    {stands !== undefined && (
                        <Button
                            variant="breaks"
                            className="mr-auto"
                            disabled={busy}
                            onClick={() => void save({ page: null, text: '' })}
                        >
                            Remove the answer
                        </Button>
                    )}
                    <Button onClick={onClose}>Cancel</Button>
                    <Button
                        type="submit"
                        variant="main"
                        disabled={busy || words.trim() === '' || (page === null && text.trim() === '')}
                    >
                        Save the answer
                    </Button>
                </DialogActions>
            </form>
        </Modal>
    )
}
