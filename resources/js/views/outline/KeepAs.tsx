import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { answered, api } from '../../api/client'
import { pageQuery } from '../../api/queries'
import { notify } from '../../app/notify'
import { useSite } from '../../app/site'
import { Alert } from '../../ui/Alert'
import { Button } from '../../ui/Button'
import { Choice } from '../../ui/Choice'
import { count } from '../../ui/count'
import { DialogActions } from '../../ui/DialogActions'
import { Field, FieldFrame } from '../../ui/Field'
import { Modal } from '../../ui/Modal'
import { Muted } from '../../ui/Muted'
import { Select } from '../../ui/Select'
import { startingPointsQuery } from './startingPoints'

/** Keeps a page, or its branch, to make new pages from: as a new starting point, or in place of what one was. */
export function KeepAs({ page, onClose }: { page: { id: string; name: string }; onClose: () => void }) {
    const site = useSite()
    const queries = useQueryClient()
    const points = useQuery(startingPointsQuery(site.key))
    const below = useQuery(pageQuery(site.key, page.id)).data?.sheet.branch ?? 0
    const [said, say] = useState({ name: page.name, description: '' })
    const [branch, setBranch] = useState(true)
    const [instead, setInstead] = useState('')
    const scope = branch && below > 0 ? ('branch' as const) : ('page' as const)
    const keep = useMutation({
        mutationFn: () =>
            instead === ''
                ? answered(
                      api.POST('/sites/{site}/starting-points', {
                          params: { path: { site: site.key } },
                          body: { ...said, page: page.id, scope },
                      }),
                  )
                : answered(
                      api.PUT('/sites/{site}/starting-points/{point}/pages', {
                          params: { path: { site: site.key, point: instead } },
                          body: { page: page.id, scope },
                      }),
                  ),
        onSuccess: point => {
            notify.success(`Kept as the starting point ${point.name}.`)
            onClose()
            return queries.invalidateQueries({ queryKey: startingPointsQuery(site.key).queryKey })
        },
    })
    return (
        <Modal open onClose={onClose} title={`Keep ${page.name} as a starting point`} width={500}>
            <form
                className="grid gap-3"
                onSubmit={event => {
                    event.preventDefault()
                    keep.mutate()
                }}
            >
                <Muted>
                    New pages can begin as this one is now: with its content, fields, tags and search settings. What
                    changes here later does not change the starting point.
                </Muted>
                {below > 0 && (
                    <div className="flex gap-4">
                        <Choice type="radio" name="scope" checked={branch} onChange={() => setBranch(true)}>
                            with the {count(below, 'page')} below
                        </Choice>
                        <Choice type="radio" name="scope" checked={!branch} onChange={() => setBranch(false)}>
                            this page alone
                        </Choice>
                    </div>
                )}
                {(points.data?.length ?? 0) > 0 && (
                    <FieldFrame stacked label="Keep as">
                        {({ id }) => (
                            <Select
                                id={id}
                                value={instead}
                                choices={[
                                    ['', 'a new starting point'],
                                    ...(points.data ?? []).map(each => [each.id, `${each.name}, updated`] as const),
                                ]}
                                onChoose={setInstead}
                            />
                        )}
                    </FieldFrame>
                )}
                {instead === '' && (
                    <>
                        <Field
                            stacked
                            label="Name of the starting point"
                            value={said.name}
                            onChange={event => say({ ...said, name: event.target.value })}
                        />
                        <Field
                            stacked
                            label="Description"
                            hint="What it is for, in a line."
                            value={said.description}
                            onChange={event => say({ ...said, description: event.target.value })}
                        />
                    </>
                )}
                {keep.error !== null && <Alert>{keep.error.message}</Alert>}
                <DialogActions>
                    <Button onClick={onClose}>Cancel</Button>
                    <Button
                        type="submit"
                        variant="main"
                        disabled={keep.isPending || (instead === '' && said.name.trim() === '')}
                    >
                        {instead === '' ? 'Keep it' : 'Update it'}
                    </Button>
                </DialogActions>
            </form>
        </Modal>
    )
}
