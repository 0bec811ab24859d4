import { useMutation, useQueryClient } from '@tanstack/react-query'
import { differing } from '../differing'
import { useEffect, useRef } from 'react'
import { ApiProblem, answered, api, type Schemas } from '../../api/client'
import { keys } from '../../api/queries'
import { Alert } from '../../ui/Alert'
import { Button } from '../../ui/Button'
import { DialogActions } from '../../ui/DialogActions'
import { useKept } from '../../ui/useKept'
import { mayOn, useSite } from '../site'
import { FieldsForm } from './FieldsForm'
import { refusalsOf, type Values } from './values'

type Props = {
    loaded: { sheet: Schemas['PageSheet']; etag: string }
    onUnsaved?: (unsaved: boolean) => void
    onSaved?: () => void
    /** Called with what saves, or null while there is nothing to save. */
    onSave?: (save: (() => void) | null) => void
}

const nothing: Values = {}

/** What stands in the fields of the page's layout. What is typed outlives closing and reloading until it is saved. */
export function FieldsPanel({ loaded: { sheet, etag }, onUnsaved, onSaved, onSave }: Props) {
    const site = useSite()
    const writes = mayOn(sheet, 'fields')
    const queries = useQueryClient()
    const [kept, keep] = useKept(`heronstem.fields.${sheet.id}`, nothing)
    const fields = sheet.layoutFields
    const standing = sheet.fields as Values
    const known = new Set(fields.map(field => field.key))
    const typed = differing(Object.fromEntries(Object.entries(kept).filter(([key]) => known.has(key))), standing)
    const dirty = Object.keys(typed).length > 0
    const save = useMutation({
        mutationFn: () =>
            answered(
                api.PATCH('/sites/{site}/pages/{page}', {
                    params: { path: { site: site.key, page: sheet.id }, header: { 'If-Match': etag } },
                    body: {
                        fields: Object.fromEntries(Object.entries(typed).map(([key, value]) => [key, value ?? null])),
                    },
                }),
            ),
        onSuccess: () => {
            keep(null)
            onSaved?.()
            return queries.invalidateQueries({ queryKey: keys.site(site.key) })
        },
        onError: () => queries.invalidateQueries({ queryKey: keys.page(site.key, sheet.id) }),
    })
    const start = () => save.mutate()
    const startRef = useRef(start)
    useEffect(() => {
        startRef.current = start
    })
    useEffect(() => onUnsaved?.(dirty), [dirty, onUnsaved])
    useEffect(() => onSave?.(dirty && writes ? () => startRef.current() : null), [dirty, onSave, writes])
    const refused = refusalsOf(save.error instanceof ApiProblem ? save.error.problem.errors : undefined)
    return (
        <form
            className="grid gap-4"
            onSubmit={event => {
                event.preventDefault()
                event.stopPropagation()
                start()
            }}
        >
            <fieldset disabled={!writes} className="min-w-0">
                <FieldsForm
                    fields={fields}
                    values={{ ...standing, ...typed }}
                    refused={refused}
                    onChange={(key, value) => keep({ ...kept, [key]: value })}
                />
            </fieldset>
            {save.error !== null && Object.keys(refused).length === 0 && <Alert>{save.error.message}</Alert>}
            {writes && (
                <DialogActions>
                    {dirty && <Button onClick={() => keep(null)}>Discard changes</Button>}
                    <Button type="submit" variant="main" disabled={!dirty || save.isPending}>
                        Save fields
                    </Button>
                </DialogActions>
            )}
        </form>
    )
}
