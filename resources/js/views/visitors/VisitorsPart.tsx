import clsx from 'clsx'
import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { answered, api, type Schemas } from '../../api/client'
import { notify } from '../../app/notify'
import { useSite } from '../../app/site'
import { Button } from '../../ui/Button'
import { count } from '../../ui/count'
import { inputClasses } from '../../ui/Field'
import { lazily } from '../../ui/lazily'
import { Muted } from '../../ui/Muted'
import { ReadFailure } from '../../ui/ReadFailure'
import { ago } from '../../ui/time'
import { useDebounced } from '../../ui/useDebounced'
import { HandOver } from '../../app/HandOver'
import { useVisitorChange, visitorsOf } from './queries'
import { SignUpRule } from './SignUpRule'
import { VisitorDialog } from './VisitorDialog'

const BringVisitors = lazily(() => import('./BringVisitors').then(module => module.BringVisitors))
type Visitor = Schemas['Visitor']

const states: Record<Visitor['state'], string> = {
    in: '',
    invited: 'invited, has not come yet',
    asks: 'waits for approval',
    disabled: 'disabled',
}

/** Accounts of visitors: who sees what is closed to others. */
export function VisitorsPart() {
    const site = useSite()
    const [text, setText] = useState('')
    const [offset, setOffset] = useState(0)
    const settled = useDebounced(text, 200)
    const visitors = useQuery(visitorsOf(site.key, settled, offset))
    const [dialog, setDialog] = useState<Visitor | 'new' | 'table' | null>(null)
    const [link, setLink] = useState<{ name: string; link: string } | null>(null)
    const handedOver = (made: Schemas['MadeVisitor']) => {
        if (made.link !== null) setLink({ name: made.visitor.name, link: made.link })
        else notify.success(`${made.visitor.name} is told by mail.`)
    }
    const path = (visitor: Visitor) => ({ params: { path: { site: site.key, visitor: visitor.id } } })
    const change = useVisitorChange(
        site.key,
        ({ visitor, ...body }: { visitor: Visitor; isDisabled?: boolean; isAdmitted?: true }) =>
            answered(api.PATCH('/sites/{site}/visitors/{visitor}', { ...path(visitor), body })),
    )
    const again = useVisitorChange(
        site.key,
        (visitor: Visitor) => answered(api.POST('/sites/{site}/visitors/{visitor}/invitation', path(visitor))),
        handedOver,
    )
    const found = visitors.data
    return (
        <section aria-label="Visitors" className="grid max-w-[1040px] gap-6">
            <SignUpRule signUp={found?.signUp} />
            <div>
                <div className="flex items-center gap-3">
                    <h2 className="text-[17px] leading-6 font-bold">
                        Accounts <span className="font-normal text-ink-3">{found?.total ?? ''}</span>
                    </h2>
                    <input
                        type="search"
                        aria-label="Find visitors"
                        placeholder="Name, mail or role"
                        value={text}
                        onChange={event => {
                            setText(event.target.value)
                            setOffset(0)
                        }}
                        className={`${inputClasses} ml-auto max-w-[220px]`}
                    />
                    <Button onClick={() => setDialog('table')}>Import a table…</Button>
                    <Button variant="main" onClick={() => setDialog('new')}>
                        Add a visitor…
                    </Button>
                </div>
                {(found?.asking ?? 0) > 0 && (
                    <p className="mt-2 text-amber">
                        {count(found?.asking ?? 0, 'visitor asks', 'visitors ask')} to be approved.
                    </p>
                )}
                <ReadFailure of={visitors} />
                {(change.error ?? again.error) !== null && (
                    <p role="alert" className="mt-2 text-berry">
                        {(change.error ?? again.error)?.message}
                    </p>
                )}
                <table className="mt-2 w-full table-fixed border-collapse">
                    <thead>
                        <tr className="border-b border-line text-left text-[12px] text-ink-3 [&>th]:py-1.5 [&>th]:pr-4 [&>th]:font-normal">
                            <th scope="col">Name</th>
                            <th scope="col">Mail</th>
                            <th scope="col">Roles</th>
                            <th scope="col" className="w-[13%]">
                                Last signed in
                            </th>
                            <td className="w-[250px]" />
                        </tr>
                    </thead>
                    <tbody>
                        {(found?.rows ?? []).map(visitor => (
                            <tr
                                key={visitor.id}
                                className="border-b border-line hover:bg-sunk [&>td]:py-1.5 [&>td]:pr-4"
                            >
                                <td className="font-semibold">
                                    {visitor.name}
                                    {visitor.state !== 'in' && (
                                        <span className="ml-2 rounded bg-amber-soft px-1.5 py-0.5 text-[12px] font-normal text-amber">
                                            {states[visitor.state]}
                                        </span>
                                    )}
                                </td>
                                <td className="break-words text-ink-2">{visitor.email}</td>
                                <td>{visitor.roles.join(', ')}</td>
                                <td className="text-ink-3">{visitor.last === null ? 'never' : ago(visitor.last)}</td>
                                <td className="pr-0! text-right whitespace-nowrap">
                                    {visitor.state === 'asks' && (
                                        <Button
                                            variant="quiet"
                                            aria-label={`Approve ${visitor.name}`}
                                            onClick={() => change.mutate({ visitor, isAdmitted: true })}
                                        >
                                            Approve
                                        </Button>
                                    )}
                                    {visitor.state === 'invited' && (
                                        <Button
                                            variant="quiet"
                                            aria-label={`Invite again: ${visitor.name}`}
                                            onClick={() => again.mutate(visitor)}
                                        >
                                            Invite again
                                        </Button>
                                    )}
                                    <Button
                                        variant="quiet"
                                        aria-label={`${visitor.state === 'disabled' ? 'Enable' : 'Disable'} ${visitor.name}`}
                                        onClick={() =>
                                            change.mutate({ visitor, isDisabled: visitor.state !== 'disabled' })
                                        }
                                    >
                                        {visitor.state === 'disabled' ? 'Enable' : 'Disable'}
                                    </Button>
                                    <Button
                                        variant="quiet"
                                        aria-label={`Change ${visitor.name}…`}
                                        onClick={() => setDialog(visitor)}
                                    >
                                        Change…
                                    </Button>
                                </td>
                            </tr>
                        ))}
                    </tbody>
                </table>
                {found?.total === 0 && <Muted>{settled === '' ? 'There are none yet.' : 'Nobody is found.'}</Muted>}
                <div className={clsx('mt-3 flex items-center gap-3', found === undefined && 'invisible')}>
                    {offset > 0 && <Button onClick={() => setOffset(Math.max(0, offset - 200))}>Earlier</Button>}
                    {found !== undefined && offset + found.rows.length < found.total && (
                        <Button onClick={() => setOffset(offset + 200)}>Later</Button>
                    )}
                    <a
                        className="ml-auto font-semibold text-heron hover:underline"
                        href={`/api/v1/sites/${site.key}/visitors-export`}
                        download
                    >
                        Save as CSV
                    </a>
                </div>
            </div>
            {dialog === 'table' && <BringVisitors onClose={() => setDialog(null)} />}
            {dialog !== null && dialog !== 'table' && (
                <VisitorDialog
                    visitor={dialog === 'new' ? null : dialog}
                    onClose={() => setDialog(null)}
                    onMade={handedOver}
                />
            )}
            {link !== null && <HandOver {...link} onClose={() => setLink(null)} />}
        </section>
    )
}
