import { useMutation, useQueryClient } from '@tanstack/react-query'
import clsx from 'clsx'
import { useState } from 'react'
import { answered, api } from '../../api/client'
import { notify } from '../../app/notify'
import { useSite } from '../../app/site'
import { Alert } from '../../ui/Alert'
import { Button } from '../../ui/Button'
import { count } from '../../ui/count'
import { Field } from '../../ui/Field'
import { moment } from '../../ui/time'
import { startingPointsQuery, type StartingPoint } from './startingPoints'

type Props = { point: StartingPoint; isChosen: boolean; onChoose: () => void }

/** A starting point: chosen to make from, and by managers named anew or removed. */
export function PointLine({ point, isChosen, onChoose }: Props) {
    const site = useSite()
    const queries = useQueryClient()
    const [editing, edit] = useState<{ name: string; description: string } | null>(null)
    const [removing, remove] = useState(false)
    const path = { site: site.key, point: point.id }
    const after = () => queries.invalidateQueries({ queryKey: startingPointsQuery(site.key).queryKey })
    const save = useMutation({
        mutationFn: (said: { name: string; description: string }) =>
            answered(api.PATCH('/sites/{site}/starting-points/{point}', { params: { path }, body: said })),
        onSuccess: () => {
            edit(null)
            return after()
        },
    })
    const drop = useMutation({
        mutationFn: () => answered(api.DELETE('/sites/{site}/starting-points/{point}', { params: { path } })),
        onSuccess: () => {
            notify.success(`The starting point ${point.name} was removed. Pages made from it stay.`)
            return after()
        },
    })
    if (editing !== null)
        return (
            <li className="grid gap-2 border-b border-line py-2.5">
                <Field
                    stacked
                    autoFocus
                    label="Name of the starting point"
                    value={editing.name}
                    onChange={event => edit({ ...editing, name: event.target.value })}
                />
                <Field
                    stacked
                    label="Description"
                    value={editing.description}
                    onChange={event => edit({ ...editing, description: event.target.value })}
                />
                {save.error !== null && <Alert>{save.error.message}</Alert>}
                <span className="flex gap-2">
                    <Button variant="main" disabled={save.isPending} onClick={() => save.mutate(editing)}>
                        Save
                    </Button>
                    <Button onClick={() => edit(null)}>Cancel</Button>
                </span>
            </li>
        )
    return (
        <li className={clsx('rounded border-b border-line px-2.5 py-2', isChosen && 'bg-heron-soft')}>
            <label className="flex cursor-pointer items-start gap-2.5">
                <input type="radio" name="starting-point" checked={isChosen} onChange={onChoose} className="mt-1" />
                <span className="min-w-0 flex-1">
                    <span className="font-semibold">{point.name}</span>{' '}
                    <span className="text-[13px] text-ink-3">{count(point.pages, 'page')}</span>
                    {point.description !== '' && <span className="block text-ink-2">{point.description}</span>}
                    {point.pages > 1 && (
                        <span className="block truncate text-[12px] text-ink-3">
                            {point.names.join(', ')}
                            {point.pages > point.names.length && ' …'}
                        </span>
                    )}
                </span>
            </label>
            {isChosen && (
                <div className="flex items-center gap-1 pl-6 text-[12px] text-ink-3">
                    <span className="min-w-0 flex-1 truncate">
                        Kept {moment(point.changed, site.zone)}
                        {point.changedBy !== null && `, ${point.changedBy}`}
                    </span>
                    {site.may('settings') && !removing && (
                        <>
                            <Button
                                variant="quiet"
                                aria-label={`Rename the starting point ${point.name}`}
                                onClick={() => edit({ name: point.name, description: point.description })}
                            >
                                Rename…
                            </Button>
                            <Button
                                variant="quiet"
                                aria-label={`Remove the starting point ${point.name}`}
                                onClick={() => remove(true)}
                            >
                                Remove…
                            </Button>
                        </>
                    )}
                </div>
            )}
            {removing && (
                <div role="alert" className="mt-1 flex items-center gap-2 rounded bg-berry-soft px-2.5 py-1.5">
                    <span className="min-w-0 flex-1 text-[13px]">
                        Remove it for good? Pages made from it stay as they are.
                    </span>
                    <Button variant="main" disabled={drop.isPending} onClick={() => drop.mutate()}>
                        Remove
                    </Button>
                    <Button onClick={() => remove(false)}>Cancel</Button>
                </div>
            )}
            {drop.error !== null && <Alert>{drop.error.message}</Alert>}
        </li>
    )
}
