import { useNavigate } from '@tanstack/react-router'
import { useState } from 'react'
import { ulid } from '../api/ulid'
import { readable } from '../ui/Address'
import { Alert } from '../ui/Alert'
import { Button } from '../ui/Button'
import { Choice } from '../ui/Choice'
import { DialogActions } from '../ui/DialogActions'
import { Field } from '../ui/Field'
import { Modal } from '../ui/Modal'
import { useChanges, type Change } from './changes'
import type { Named } from './pageActs'
import { useSite } from './site'
import { useAddressAnswer } from './useAddressAnswer'

type Props = { page: Named & { children?: number }; onClose: () => void }

/** Duplicates one page: what the copy is called, and whether what is below comes along. The copy is chosen in the outline then. */
export function DuplicatePage({ page, onClose }: Props) {
    const site = useSite()
    const navigate = useNavigate()
    const { propose } = useChanges()
    const [copy] = useState(ulid)
    const [name, setName] = useState(`${page.name} copy`)
    const [below, setBelow] = useState(false)
    const [refused, setRefused] = useState<string | null>(null)
    const change: Change | null =
        name.trim() === ''
            ? null
            : { kind: 'duplicate', page: page.id, copy, name: name.trim(), ...(below && { scope: 'branch' as const }) }
    const answer = useAddressAnswer(change === null ? null : ({ ...change, scope: 'page' } as Change))
    const duplicate = () => {
        if (change === null) return
        setRefused(null)
        void propose({
            title: `Duplicating ${page.name}${below ? ' with all below' : ''}`,
            act: 'Duplicate',
            batch: { changes: [change] },
            // Drafts that nobody sees: what is made was said here.
            now: true,
            done: () => {
                onClose()
                void navigate({
                    to: '/s/$site/outline',
                    params: { site: site.key },
                    search: previous => ({
                        open: 'open' in previous ? (previous.open as string) : undefined,
                        row: copy,
                        page: copy,
                    }),
                })
            },
            failed: problem => setRefused(problem.message),
        })
    }
    return (
        <Modal
            open
            onClose={onClose}
            title={`Duplicate ${page.name}`}
            help="duplicate"
            description="The copy stands right after the original, as a draft: visitors do not see it until it goes live."
            width={480}
        >
            <form
                className="grid gap-3"
                onSubmit={event => {
                    event.preventDefault()
                    duplicate()
                }}
            >
                <Field
                    stacked
                    autoFocus
                    onFocus={event => event.currentTarget.select()}
                    label="Name of the copy"
                    value={name}
                    onChange={event => setName(event.target.value)}
                    error={answer?.error ?? undefined}
                    hint={
                        answer?.address == null ? (
                            'Its address follows its name.'
                        ) : (
                            <>
                                It will be at <span className="font-mono">{readable(answer.address)}</span>
                            </>
                        )
                    }
                />
                {page.children !== 0 && (
                    <Choice checked={below} onChange={event => setBelow(event.target.checked)}>
                        Duplicate the pages below it too, as drafts
                    </Choice>
                )}
                {refused !== null && <Alert>{refused}</Alert>}
                <DialogActions>
                    <Button onClick={onClose}>Cancel</Button>
                    <Button type="submit" variant="main" disabled={change === null}>
                        Duplicate
                    </Button>
                </DialogActions>
            </form>
        </Modal>
    )
}
