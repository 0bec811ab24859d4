import { useQuery } from '@tanstack/react-query'
import { ShieldCheck } from 'lucide-react'
import { useState } from 'react'
import type { Schemas } from '../../api/client'
import { useSite } from '../../app/site'
import { Button } from '../../ui/Button'
import { ReadFailure } from '../../ui/ReadFailure'
import { InviteAgain } from './InviteAgain'
import { InviteDialog } from './InviteDialog'
import { LetIn } from './LetIn'
import { LookAs } from './LookAs'
import { peopleQuery } from './queries'
import { RolesDialog } from './RolesDialog'

/** Everybody who works on the site, with their roles. */
export function PeopleList() {
    const site = useSite()
    const manages = site.may('people')
    const people = useQuery(peopleQuery(site.key))
    const [given, give] = useState<Schemas['Person'] | null>(null)
    const [inviting, invite] = useState(false)
    return (
        <section aria-label="People">
            <div className="flex items-center gap-3">
                <h2 className="text-[17px] leading-6 font-bold">Who works here</h2>
                {manages && (
                    <Button variant="main" className="ml-auto" onClick={() => invite(true)}>
                        Invite somebody…
                    </Button>
                )}
            </div>
            <ReadFailure of={people} />
            <table className="mt-2 w-full table-fixed border-collapse">
                <thead>
                    <tr className="border-b border-line text-left text-[12px] text-ink-3 [&>th]:py-1.5 [&>th]:pr-4 [&>th]:font-normal">
                        <th scope="col" className="w-[28%]">
                            Name
                        </th>
                        {manages && (
                            <th scope="col" className="w-[22%]">
                                Mail
                            </th>
                        )}
                        <th scope="col">Roles</th>
                        {manages && <td className="w-[346px]" />}
                    </tr>
                </thead>
                <tbody>
                    {(people.data ?? []).map(person => (
                        <tr key={person.id} className="border-b border-line hover:bg-sunk [&>td]:py-1.5 [&>td]:pr-4">
                            <td className="font-semibold">
                                {person.name}
                                {person.id === site.session.id && (
                                    <span className="font-normal text-ink-3"> (you)</span>
                                )}
                                {person.isDisabled === true && (
                                    <span className="ml-2 rounded bg-sunk px-1.5 py-0.5 text-[12px] font-normal text-ink-2">
                                        disabled
                                    </span>
                                )}
                                {person.hasSecondStep === true && (
                                    <ShieldCheck
                                        size={14}
                                        className="ml-1.5 inline text-heron"
                                        aria-label="signs in with a second step"
                                    />
                                )}
                                {person.hasCome === false && (
                                    <span className="ml-2 rounded bg-amber-soft px-1.5 py-0.5 text-[12px] font-normal text-amber">
                                        invited, has not come yet
                                    </span>
                                )}
                            </td>
                            {manages && <td className="break-words text-ink-2">{person.email}</td>}
                            <td>{person.roles.map(({ name }) => name).join(', ')}</td>
                            {manages && (
                                <td className="pr-0! text-right">
                                    {person.hasCome === false && <InviteAgain person={person} />}
                                    {person.id !== site.session.id && (
                                        <>
                                            <LookAs who={`person:${person.id}`} name={person.name} />
                                            <LetIn person={person} />
                                        </>
                                    )}
                                    <Button
                                        variant="quiet"
                                        aria-label={`Roles of ${person.name}…`}
                                        onClick={() => give(person)}
                                    >
                                        Roles…
                                    </Button>
                                </td>
                            )}
                        </tr>
                    ))}
                </tbody>
            </table>
            {inviting && <InviteDialog onClose={() => invite(false)} />}
            {given !== null && <RolesDialog person={given} onClose={() => give(null)} />}
        </section>
    )
}
