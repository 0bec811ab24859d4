import { MomentField } from '../../ui/MomentField'
import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { answered, api, ApiProblem, type Schemas } from '../../api/client'
import { keys } from '../../api/queries'
import { notify } from '../../app/notify'
import { useSite } from '../../app/site'
import { Button } from '../../ui/Button'
import { DialogActions } from '../../ui/DialogActions'
import { Field } from '../../ui/Field'
import { Modal } from '../../ui/Modal'
import { Alert } from '../../ui/Alert'

type Props = { finding: Schemas['Finding']; group: Schemas['FindingGroup']; onClose: () => void }

/** Says that a finding is no problem here: why, and when it is asked again. */
export function Dismiss({ finding, group, onClose }: Props) {
    const site = useSite()
    const queries = useQueryClient()
    const [reason, setReason] = useState('')
    const [until, setUntil] = useState('')
    const dismiss = useMutation({
        mutationFn: () =>
            answered(
                api.POST('/sites/{site}/dismissals', {
                    params: { path: { site: site.key } },
                    body: { page: finding.page, check: group.check, reason, until: until === '' ? null : until },
                }),
            ),
        onSuccess: async () => {
            await queries.invalidateQueries({ queryKey: keys.site(site.key) })
            notify.success(`“${finding.name}” is no longer listed there.`)
            onClose()
        },
    })
    const errors = dismiss.error instanceof ApiProblem ? (dismiss.error.problem.errors ?? []) : []
    const reasonOf = (field: string) => errors.find(each => each.field === field)?.reason
    return (
        <Modal open onClose={onClose} title="Not a problem here" description={`${finding.name}: ${finding.says}`}>
            <form
                className="grid gap-3"
                onSubmit={event => {
                    event.preventDefault()
                    dismiss.mutate()
                }}
            >
                <Field
                    stacked
                    label="Why"
                    autoFocus
                    value={reason}
                    error={reasonOf('reason')}
                    placeholder="The page is meant for partners who have its address"
                    onChange={event => setReason(event.target.value)}
                />
                <MomentField
                    stacked
                    kind="day"
                    label="Ask again on"
                    value={until}
                    error={reasonOf('until')}
                    hint="Leave empty to dismiss it for good."
                    onChange={setUntil}
                />
                {dismiss.error !== null && errors.length === 0 && <Alert>{dismiss.error.message}</Alert>}
                <DialogActions>
                    <Button onClick={onClose}>Cancel</Button>
                    <Button type="submit" variant="main" disabled={reason.trim() === '' || dismiss.isPending}>
                        Dismiss the finding
                    </Button>
                </DialogActions>
            </form>
        </Modal>
    )
}
