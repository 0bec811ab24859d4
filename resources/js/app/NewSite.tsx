import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useNavigate } from '@tanstack/react-router'
import { useState } from 'react'
import { answered, api, ApiProblem } from '../api/client'
import { keys } from '../api/queries'
import { Alert } from '../ui/Alert'
import { Button } from '../ui/Button'
import { DialogActions } from '../ui/DialogActions'
import { Field, FieldFrame } from '../ui/Field'
import { Modal } from '../ui/Modal'
import { Select } from '../ui/Select'
import { notify } from './notify'
import { useSite } from './site'

const ends = [
    ['', 'nothing: /travel/fares'],
    ['/', 'a slash: /travel/fares/'],
    ['.html', '.html: /travel/fares.html'],
] as const

/** Makes an empty site and goes there. What is refused stays typed, with the reason at its field. */
export function NewSite({ onClose }: { onClose: () => void }) {
    const { session } = useSite()
    const queries = useQueryClient()
    const navigate = useNavigate()
    const [typed, setTyped] = useState({
        name: '',
        origin: 'https://',
        language: 'en-GB',
        zone: Intl.DateTimeFormat().resolvedOptions().timeZone,
    })
    const [end, setEnd] = useState<(typeof ends)[number][0]>('')
    const make = useMutation({
        mutationFn: () =>
            answered(
                api.POST('/sites', {
                    body: {
                        ...typed,
                        trailingSlash: end === '/' ? 'always' : 'never',
                        suffix: end === '.html' ? end : '',
                    },
                }),
            ),
        onSuccess: async now => {
            const made = now.sites.find(each => !session.sites.some(before => before.key === each.key))
            queries.setQueryData(keys.session, now)
            onClose()
            if (made !== undefined) {
                await navigate({ to: '/s/$site/outline', params: { site: made.key } })
                notify.success(`Made ${made.name}. Begin with a first page.`)
            }
        },
    })
    const problem = make.error instanceof ApiProblem ? make.error : null
    const field = (name: keyof typeof typed) => ({
        value: typed[name],
        error: problem?.reasonFor(name)?.reason,
        onChange: (event: { target: { value: string } }) => setTyped({ ...typed, [name]: event.target.value }),
    })
    const isElsewhere = problem !== null && !Object.keys(typed).some(name => problem.reasonFor(name) !== undefined)
    return (
        <Modal open onClose={onClose} title="New site" description="An empty one, and you are its owner." width={520}>
            <form
                noValidate
                className="grid gap-3"
                onSubmit={event => {
                    event.preventDefault()
                    make.mutate()
                }}
            >
                <Field label="Name" hint="On every page, and in titles." {...field('name')} />
                <Field
                    label="Address"
                    hint="Where the site is reached: a host of its own, without a path."
                    {...field('origin')}
                />
                <Field label="Language" hint="A tag such as en-GB, de or nb-NO." {...field('language')} />
                <Field label="Time zone" {...field('zone')} />
                <FieldFrame
                    label="Endings"
                    hint="Of every address. It can be changed later, and every address goes on answering."
                >
                    {({ id, describedBy }) => (
                        <Select id={id} aria-describedby={describedBy} value={end} choices={ends} onChoose={setEnd} />
                    )}
                </FieldFrame>
                {isElsewhere && (
                    <Alert className="text-[13px] leading-5 font-semibold">
                        {problem.problem.errors?.[0]?.reason ?? problem.message}
                    </Alert>
                )}
                <DialogActions>
                    <Button onClick={onClose}>Cancel</Button>
                    <Button type="submit" variant="main" disabled={typed.name.trim() === '' || make.isPending}>
                        Make site
                    </Button>
                </DialogActions>
            </form>
        </Modal>
    )
}
