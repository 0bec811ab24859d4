import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useId } from 'react'
import { ApiProblem, answered, api } from '../../api/client'
import { keys } from '../../api/queries'
import { differing } from '../../app/differing'
import { FocusPoint } from '../../app/FocusPoint'
import { useSite } from '../../app/site'
import { Alert } from '../../ui/Alert'
import { Button } from '../../ui/Button'
import { DialogActions } from '../../ui/DialogActions'
import { Field } from '../../ui/Field'
import { useKept } from '../../ui/useKept'
import type { FileDetail } from './files'

type Typed = Partial<Pick<FileDetail, 'name' | 'folder' | 'alt' | 'caption' | 'focus'>>
const nothing: Typed = {}

/** What is kept with a file. What was typed outlives closing it, until it is saved. */
export function FileFields({ file, folders }: { file: FileDetail; folders: string[] }) {
    const site = useSite()
    const queries = useQueryClient()
    const list = useId()
    const [kept, keep] = useKept(`heronstem.file.${file.id}`, nothing)
    const typed: Typed = differing(kept, file)
    const value = { ...file, ...typed }
    const dirty = Object.keys(typed).length > 0
    const save = useMutation({
        mutationFn: () =>
            answered(
                api.PATCH('/sites/{site}/files/{file}', {
                    params: { path: { site: site.key, file: file.id } },
                    body: typed,
                }),
            ),
        onSuccess: () => {
            keep(null)
            return queries.invalidateQueries({ queryKey: keys.site(site.key) })
        },
    })
    const problem = save.error instanceof ApiProblem ? save.error : null
    const text = (key: 'name' | 'folder' | 'alt' | 'caption') => ({
        value: value[key],
        onChange: (event: { target: { value: string } }) => keep({ ...kept, [key]: event.target.value }),
        error: problem?.reasonFor(key)?.reason,
    })
    const isPicture = file.kind === 'picture'
    return (
        <form
            className="grid gap-2.5"
            onSubmit={event => {
                event.preventDefault()
                save.mutate()
            }}
        >
            <fieldset disabled={!site.may('files')} className="grid min-w-0 gap-2.5">
                <Field
                    label="Name"
                    {...text('name')}
                    hint={typed.name === undefined ? undefined : 'Its old address leads to the new one.'}
                />
                <Field label="Folder" list={list} placeholder="none" {...text('folder')} />
                <datalist id={list}>
                    {folders.map(folder => (
                        <option key={folder} value={folder} />
                    ))}
                </datalist>
                {isPicture && (
                    <>
                        <Field
                            label="Alternative text"
                            {...text('alt')}
                            hint="What it shows. Used where nothing nearer says it."
                        />
                        <Field label="Caption" {...text('caption')} />
                        <div className="grid gap-x-3 sm:grid-cols-[104px_1fr]">
                            <span className="pt-[5px] text-ink-2">Focus point</span>
                            <FocusPoint
                                picture={`${file.address}?v=${file.number}`}
                                proportions={16 / 9}
                                focus={value.focus ?? { x: 50, y: 50 }}
                                onFocus={focus => keep({ ...kept, focus })}
                            />
                        </div>
                    </>
                )}
            </fieldset>
            {save.error !== null && problem?.problem.errors === undefined && <Alert>{save.error.message}</Alert>}
            {site.may('files') && (
                <DialogActions>
                    {dirty && <Button onClick={() => keep(null)}>Discard changes</Button>}
                    <Button type="submit" variant={dirty ? 'main' : 'plain'} disabled={!dirty || save.isPending}>
                        Save
                    </Button>
                </DialogActions>
            )}
        </form>
    )
}
