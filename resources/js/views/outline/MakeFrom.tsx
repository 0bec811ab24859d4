import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import type { Change } from '../../app/batches'
import { useChanges } from '../../app/changes'
import { useSite } from '../../app/site'
import { useAddressAnswer } from '../../app/useAddressAnswer'
import { readable } from '../../ui/Address'
import { Alert } from '../../ui/Alert'
import { Button } from '../../ui/Button'
import { count } from '../../ui/count'
import { DialogActions } from '../../ui/DialogActions'
import { Field } from '../../ui/Field'
import { Modal } from '../../ui/Modal'
import { Muted } from '../../ui/Muted'
import { ReadFailure } from '../../ui/ReadFailure'
import { ulid } from '../../api/ulid'
import { PointLine } from './PointLine'
import { startingPointsQuery } from './startingPoints'

type Props = {
    /** The page inside which it is made; null for the top of the tree. */
    inside: { id: string; name: string } | null
    onClose: () => void
    onMade: (page: string) => void
}

/** A text with what stands in braces filled, as far as it is known. */
const filled = (text: string, words: Record<string, string>) =>
    Object.entries(words).reduce(
        (sofar, [name, word]) => (word === '' ? sofar : sofar.replaceAll(`{${name}}`, word)),
        text,
    )

/** Makes a page or a branch from a starting point: which one, what it is called, and where it will be. */
export function MakeFrom({ inside, onClose, onMade }: Props) {
    const site = useSite()
    const { propose } = useChanges()
    const points = useQuery(startingPointsQuery(site.key))
    const [chosen, choose] = useState<string | null>(null)
    const [typed, setName] = useState<string | null>(null)
    const [words, setWords] = useState<Record<string, string>>({})
    const [page] = useState(ulid)
    const [refused, setRefused] = useState<string | null>(null)
    const point =
        points.data?.find(each => each.id === chosen) ?? (points.data?.length === 1 ? points.data[0] : undefined)
    const placeholders = point?.placeholders ?? []
    const given = Object.fromEntries(placeholders.map(each => [each, words[each]?.trim() ?? '']))
    const missing = placeholders.some(each => given[each] === '')
    // Until somebody types a name it is the one that the page had, filled.
    const name = typed ?? (placeholders.length === 0 ? '' : filled(point?.names[0] ?? '', given))
    const change: Change | null =
        point === undefined || name.trim() === '' || missing
            ? null
            : {
                  kind: 'make-from',
                  page,
                  from: point.id,
                  name,
                  place: { last: inside?.id ?? null },
                  ...(placeholders.length > 0 && { words: given }),
              }
    const answer = useAddressAnswer(change)
    const make = () => {
        if (change === null || point === undefined) return
        setRefused(null)
        void propose({
            title: `Making ${name} from ${point.name}`,
            act: point.pages === 1 ? 'Make page' : `Make ${count(point.pages, 'page')}`,
            batch: { changes: [change] },
            // What is made was said here.
            now: true,
            done: () => onMade(page),
            failed: problem => setRefused(problem.message),
        })
    }
    return (
        <Modal
            open
            onClose={onClose}
            title={inside === null ? 'New page from a starting point' : `New page inside ${inside.name}`}
            width={520}
        >
            <ReadFailure of={points} />
            {points.data?.length === 0 ? (
                <Muted>
                    There is no starting point yet. {site.may('settings') ? 'Keep' : 'A manager keeps'} a page or a
                    branch as one from the menu of its row; new pages begin with its content, fields and settings then.
                </Muted>
            ) : (
                <form
                    className="grid gap-3"
                    onSubmit={event => {
                        event.preventDefault()
                        make()
                    }}
                >
                    <ul aria-label="Starting points" className="max-h-[300px] overflow-y-auto">
                        {points.data?.map(each => (
                            <PointLine
                                key={each.id}
                                point={each}
                                isChosen={each.id === point?.id}
                                onChoose={() => choose(each.id)}
                            />
                        ))}
                    </ul>
                    {placeholders.map((each, n) => (
                        <Field
                            key={each}
                            autoFocus={n === 0}
                            label={each.charAt(0).toUpperCase() + each.slice(1)}
                            value={words[each] ?? ''}
                            maxLength={100}
                            onChange={event => setWords({ ...words, [each]: event.target.value })}
                        />
                    ))}
                    {placeholders.length > 0 && (
                        <Muted>
                            Each stands where the starting point has it in braces, as in{' '}
                            <span className="font-mono">{`{${placeholders[0] ?? ''}}`}</span>: in names, texts, fields
                            and content.
                        </Muted>
                    )}
                    <Field
                        stacked
                        autoFocus={placeholders.length === 0}
                        label="Name of the new page"
                        value={name}
                        onChange={event => setName(event.target.value)}
                        error={answer?.error ?? undefined}
                        hint={
                            answer?.address == null ? undefined : (
                                <>
                                    It will be at <span className="font-mono">{readable(answer.address)}</span>
                                </>
                            )
                        }
                    />
                    {refused !== null && <Alert>{refused}</Alert>}
                    <DialogActions>
                        <Button onClick={onClose}>Cancel</Button>
                        <Button type="submit" variant="main" disabled={change === null}>
                            {point === undefined || point.pages === 1
                                ? 'Make page'
                                : `Make ${count(point.pages, 'page')}`}
                        </Button>
                    </DialogActions>
                </form>
            )}
        </Modal>
    )
}
