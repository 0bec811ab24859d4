import { useQuery } from '@tanstack/react-query'
import { useContext, useState } from 'react'
import { answered, api } from '../../api/client'
import { Button } from '../../ui/Button'
import { Choice } from '../../ui/Choice'
import { DialogActions } from '../../ui/DialogActions'
import { Field, FieldFrame } from '../../ui/Field'
import { Modal } from '../../ui/Modal'
import { Select } from '../../ui/Select'
import { FileDialog } from '../FileChooser'
import { useSite } from '../site'
import type { Link, LinkAttrs } from './blocks'
import { LinkTarget } from './LinkTarget'
import { WritingPlace } from './settings'
import { useLinkName } from './useLinkName'
import { useMakeWanted } from './useMakeWanted'

type Props = { link: LinkAttrs | null; onClose: () => void; onTake: (link: LinkAttrs | null) => void }

/** A link: what it leads to is picked first and taken at once; where it is there already, more can be said about it. */
export function LinkDialog({ link: given, onClose, onTake }: Props) {
    const [link, setLink] = useState(given)
    const [choosingFile, setChoosingFile] = useState(false)
    if (choosingFile)
        return (
            <FileDialog
                title="Link to a file"
                onClose={() => setChoosingFile(false)}
                onFile={file => onTake(withTerms({ file: file.id }, given))}
            />
        )
    if (link !== null && given !== null)
        return (
            <Modal open onClose={onClose} title="Link" width={520}>
                <LinkTerms link={link} onChange={setLink} />
                <DialogActions className="mt-4">
                    <Button className="mr-auto" onClick={() => onTake(null)}>
                        Remove link
                    </Button>
                    <Button onClick={() => setLink(null)}>Another target…</Button>
                    <Button variant="main" onClick={() => onTake(link)}>
                        Use link
                    </Button>
                </DialogActions>
            </Modal>
        )
    return (
        <Modal
            open
            onClose={onClose}
            title="Link"
            description="Pick a page from the tree, find one by typing, or type a web address, mail address or telephone number."
            width={520}
        >
            <LinkTarget onTake={target => onTake(withTerms(target, given))} />
            <DialogActions className="mt-3">
                <Button className="mr-auto" onClick={() => setChoosingFile(true)}>
                    A file…
                </Button>
                <Button onClick={onClose}>Cancel</Button>
            </DialogActions>
        </Modal>
    )
}

/** Another target keeps what was said of the link. */
const withTerms = (target: Link, before: LinkAttrs | null): LinkAttrs => ({
    ...target,
    title: before?.title,
    newWindow: before?.newWindow,
})

function LinkTerms({ link, onChange }: { link: LinkAttrs; onChange: (link: LinkAttrs) => void }) {
    const site = useSite()
    const name = useLinkName('page' in link ? { page: link.page } : link)
    const page = 'page' in link && typeof link.page === 'string' ? link.page : null
    const { data: places = [] } = useQuery({
        queryKey: ['site', site.key, 'places', page],
        queryFn: ({ signal }) =>
            answered(
                api.GET('/sites/{site}/pages/{page}/places', {
                    params: { path: { site: site.key, page: page ?? '' } },
                    signal,
                }),
            ),
        enabled: page !== null,
    })
    const rest = 'rest' in link ? (link.rest ?? '') : ''
    const at = rest.startsWith('#') ? decodeURIComponent(rest.slice(1)) : ''
    const choices: [string, string][] = [
        ['', 'the beginning of the page'],
        ...places.map((place): [string, string] => [
            place.name,
            `${' '.repeat(((place.level ?? 2) - 2) * 2)}${place.text === '' ? `the block “${place.name}”` : place.text}`,
        ]),
        ...(at !== '' && !places.some(place => place.name === at)
            ? [[at, `“${at}”, which is not there`] as [string, string]]
            : []),
    ]
    return (
        <div className="grid gap-3">
            <p>
                Leads to <b className="font-semibold">{name}</b>
            </p>
            {'wanted' in link && typeof link.wanted === 'string' && site.writes && (
                <MakeWanted
                    name={link.wanted}
                    onMade={made => onChange({ page: made, title: link.title, newWindow: link.newWindow })}
                />
            )}
            {page !== null && (
                <FieldFrame stacked label="Place on the page">
                    {({ id }) => (
                        <Select
                            id={id}
                            value={at}
                            choices={choices}
                            onChoose={place =>
                                onChange({
                                    ...link,
                                    page,
                                    rest: place === '' ? undefined : `#${encodeURIComponent(place)}`,
                                })
                            }
                        />
                    )}
                </FieldFrame>
            )}
            <Field
                stacked
                label="Title"
                value={link.title ?? ''}
                maxLength={200}
                hint="Shown when a mouse rests on the link. Most links need none."
                onChange={event => onChange({ ...link, title: event.target.value })}
            />
            <Choice
                checked={link.newWindow === true}
                onChange={event => onChange({ ...link, newWindow: event.target.checked ? true : undefined })}
            >
                Opens a new window
            </Choice>
        </div>
    )
}

/** Makes the page that the link wants, inside the one that is written on. */
function MakeWanted({ name, onMade }: { name: string; onMade: (page: string) => void }) {
    const make = useMakeWanted()
    const { page } = useContext(WritingPlace)
    return (
        <div className="rounded-md bg-amber-soft px-3 py-2 text-amber">
            <p>This page is not there yet: visitors see the text without a link.</p>
            <Button className="mt-1.5" onClick={() => make(name, page === '' ? null : page, onMade)}>
                Make it inside this page
            </Button>
        </div>
    )
}
