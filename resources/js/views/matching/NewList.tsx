import { Link } from '@tanstack/react-router'
import { useState } from 'react'
import { ApiProblem } from '../../api/client'
import { useSite } from '../../app/site'
import { Alert } from '../../ui/Alert'
import { Button } from '../../ui/Button'
import { count } from '../../ui/count'
import { Field, FieldFrame, fileLook, inputClasses } from '../../ui/Field'
import { Select } from '../../ui/Select'
import { useKept } from '../../ui/useKept'
import { useSources } from '../../app/useSources'
import { useMakeList } from './useMatchLists'

type Props = { taken: string[] | undefined; onMade: (id: string) => void }

/** The first name that no list has. */
const free = (taken: string[] = []) => {
    let name = 'Old site'
    for (let n = 2; taken.includes(name); n++) name = `Old site ${n}`
    return name
}

/** A list of old addresses from whatever somebody has. */
export function NewList({ taken, onMade }: Props) {
    const site = useSite()
    const [text, setText] = useKept(`heronstem old addresses ${site.key}`, '')
    const [name, setName] = useState<string | null>(null)
    const [file, setFile] = useState<File | null>(null)
    const [read, setRead] = useState('')
    const making = useMakeList(id => {
        setText(null)
        onMade(id)
    })
    const imports = (useSources().data ?? []).filter(each => each.state === 'ready')
    const problem = making.problem instanceof ApiProblem ? making.problem : null
    const ofName = problem?.reasonFor('name')?.reason
    const called = name ?? free(taken)
    const has = taken !== undefined && (file !== null || read !== '' || text.trim() !== '')
    const make = () =>
        making.make({ name: called, ...(file !== null ? { file } : read !== '' ? { import: read } : { text }) })
    return (
        <form
            className="flex min-w-0 flex-1 flex-col"
            onSubmit={event => {
                event.preventDefault()
                if (has) make()
            }}
        >
            <div className="min-h-0 flex-1 overflow-y-auto px-8 pt-5 pb-6">
                <div className="grid max-w-[680px] gap-4">
                    <h2 className="text-[17px] leading-6 font-bold">New list</h2>
                    <p className="text-ink-2">
                        Give the addresses of the old site as you have them. Each is matched to the page that it most
                        likely became. The list is kept here until its redirects are made; others can work on it too.
                    </p>
                    <Field
                        stacked
                        label="Name of the list"
                        value={called}
                        error={ofName}
                        onChange={event => setName(event.target.value)}
                    />
                    <FieldFrame
                        stacked
                        label="Old addresses"
                        hint="One a line, a table with titles and requests, a sitemap, or an access log in the common or combined format."
                    >
                        {({ id, describedBy }) => (
                            <textarea
                                id={id}
                                aria-describedby={describedBy}
                                rows={8}
                                disabled={file !== null || read !== ''}
                                value={text}
                                onChange={event => setText(event.target.value)}
                                placeholder={'/old/timetable.html\nhttps://old.example/contact'}
                                className={`${inputClasses} font-mono text-[13px]`}
                            />
                        )}
                    </FieldFrame>
                    <FieldFrame
                        stacked
                        label="Or a file"
                        hint="The same as a file, or pages that were saved from the old site, packed as a ZIP file: their titles and headings are read."
                    >
                        {({ id, describedBy }) => (
                            <input
                                type="file"
                                id={id}
                                aria-describedby={describedBy}
                                accept=".csv,.tsv,.txt,.xml,.log,.jsonl,.gz,.zip"
                                onChange={event => setFile(event.target.files?.[0] ?? null)}
                                className={fileLook}
                            />
                        )}
                    </FieldFrame>
                    {imports.length > 0 ? (
                        <FieldFrame
                            stacked
                            label="Or pages that were read for an import"
                            hint="Of the old site itself, for instance."
                        >
                            {({ id }) => (
                                <Select
                                    id={id}
                                    value={read}
                                    choices={[
                                        ['', 'none'],
                                        ...imports.map(
                                            each => [each.id, `${each.name}, ${count(each.pages, 'page')}`] as const,
                                        ),
                                    ]}
                                    onChoose={setRead}
                                />
                            )}
                        </FieldFrame>
                    ) : (
                        <p className="text-[13px] text-ink-3">
                            The old site still answers?{' '}
                            <Link
                                to="/s/$site/bring-in"
                                params={{ site: site.key }}
                                search={{}}
                                className="text-heron hover:underline"
                            >
                                Let Import read it
                            </Link>
                            , and choose its pages here afterwards; nothing has to be imported for that.
                        </p>
                    )}
                    {problem !== null && ofName === undefined && <Alert>{problem.message}</Alert>}
                </div>
            </div>
            <div className="flex items-center gap-3 border-t border-line px-8 py-3">
                <Button type="submit" variant="main" disabled={!has || making.isPending}>
                    Match them
                </Button>
                {making.isPending && (
                    <p role="status" className="flex items-center gap-3 text-ink-2">
                        Matching…
                        <Button variant="quiet" onClick={making.stop}>
                            Stop
                        </Button>
                    </p>
                )}
            </div>
        </form>
    )
}
