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

/** Chosen where the site begins with what is brought in: no site has such a key. */
const bringing = '*'

/** Makes a site, empty or a copy of another one, and goes there. What is refused stays typed, with the reason at its field. */
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
    const [from, choose] = useState('')
    const [part, take] = useState<'all' | 'structure'>('all')
    const [end, setEnd] = useState<(typeof ends)[number][0]>('')
    const make = useMutation({
        mutationFn: () =>
            answered(
                api.POST('/sites', {
                    body: {
                        ...typed,
                        ...(from === '' || from === bringing ? {} : { from, part }),
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
                const params = { site: made.key }
                if (from === bringing) await navigate({ to: '/s/$site/bring-in', params })
                else await navigate({ to: '/s/$site/outline', params })
                notify.success(
                    from === '' || from === bringing
                        ? `Made ${made.name}. Begin with a first page.`
                        : `Made ${made.name}. Its pages are being copied; they are here in a moment.`,
                )
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
        <Modal open onClose={onClose} title="New site" description="You are its owner." width={520}>
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
                <FieldFrame label="Begins">
                    {({ id }) => (
                        <Select
                            id={id}
                            value={from}
                            choices={[
                                ['', 'empty'],
                                [bringing, 'with pages I import'],
                                ...session.sites
                                    .filter(each => each.isOwner)
                                    .map(each => [each.key, `as a copy of ${each.name}`] as const),
                            ]}
                            onChoose={choose}
                        />
                    )}
                </FieldFrame>
                {from !== '' && from !== bringing && (
                    <FieldFrame
                        label="Copied"
                        hint={
                            part === 'all'
                                ? 'Pages with content and settings, files, menus, redirects. People and visitors are not copied.'
                                : 'Drafts with names, slugs, layouts and kinds, and the menus.'
                        }
                    >
                        {({ id, describedBy }) => (
                            <Select
                                id={id}
                                aria-describedby={describedBy}
                                value={part}
                                choices={[
                                    ['all', 'everything'],
                                    ['structure', 'the structure alone'],
                                ]}
                                onChoose={take}
                            />
                        )}
                    </FieldFrame>
                )}
                {(from === '' || from === bringing) && (
                    <FieldFrame
                        label="Endings"
                        hint="Of every address. It can be changed later, and every address goes on answering."
                    >
                        {({ id, describedBy }) => (
                            <Select
                                id={id}
                                aria-describedby={describedBy}
                                value={end}
                                choices={ends}
                                onChoose={setEnd}
                            />
                        )}
                    </FieldFrame>
                )}
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
