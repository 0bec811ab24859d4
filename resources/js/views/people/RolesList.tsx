import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { useChanges } from '../../app/changes'
import { useSite } from '../../app/site'
import { Button } from '../../ui/Button'
import { count } from '../../ui/count'
import { Muted } from '../../ui/Muted'
import { ReadFailure } from '../../ui/ReadFailure'
import { rightsQuery, rolesOf } from './queries'
import { LookAs } from './LookAs'
import { RoleDialog, type RoleWanted } from './RoleDialog'
import { SecondStepNeeded } from './SecondStepNeeded'

/** The roles of the site: made, copied, renamed, and removed when nobody has them. */
export function RolesList() {
    const site = useSite()
    const { propose } = useChanges()
    const rights = useQuery(rightsQuery(site.key, null))
    const [wanted, want] = useState<RoleWanted | null>(null)
    const roles = rolesOf(rights.data)
    const labels = new Map((rights.data?.rights ?? []).map(({ right, label }) => [right as string, label]))
    return (
        <section aria-label="Roles">
            <div className="flex items-center gap-3">
                <h2 className="text-[17px] leading-6 font-bold">Roles</h2>
                <Button className="ml-auto" onClick={() => want({ kind: 'make' })}>
                    Make a role…
                </Button>
            </div>
            <Muted small>What a role may do is set under Rights, for the whole site or for a branch.</Muted>
            <ReadFailure of={rights} />
            <ul className="mt-2 border-t border-line">
                {roles.map(row => {
                    const { key } = row
                    const may = Object.entries(row.cells).filter(([, cell]) => cell.may)
                    return (
                        <li key={key} className="flex items-start gap-3 border-b border-line py-1.5 hover:bg-sunk">
                            <div className="w-[170px] shrink-0">
                                <div className="font-semibold">{row.name}</div>
                                <div className="text-[12px] text-ink-3">
                                    {row.has === 0 ? 'nobody has it' : `${count(row.has, 'person', 'people')}`}
                                </div>
                            </div>
                            <div className="min-w-0 flex-1 pt-0.5 text-[13px] text-ink-2">
                                {row.isOwner
                                    ? 'everything'
                                    : may.length === 0
                                      ? 'nothing on the whole site'
                                      : may.map(([right]) => labels.get(right) ?? right).join(', ')}
                                {row.in.length > 0 && (
                                    <span className="block text-ink-3">other rights in {row.in.join(', ')}</span>
                                )}
                            </div>
                            <SecondStepNeeded role={key} name={row.name} isNeeded={row.needsSecondStep} />
                            <div className="flex shrink-0">
                                <LookAs who={`role:${key}`} name={row.name} />
                                {!row.isOwner && (
                                    <Button
                                        variant="quiet"
                                        aria-label={`Copy ${row.name}…`}
                                        onClick={() => want({ kind: 'copy', key, name: row.name })}
                                    >
                                        Copy…
                                    </Button>
                                )}
                                <Button
                                    variant="quiet"
                                    aria-label={`Rename ${row.name}…`}
                                    onClick={() => want({ kind: 'rename', key, name: row.name })}
                                >
                                    Rename…
                                </Button>
                                {!row.isOwner && row.has === 0 && (
                                    <Button
                                        variant="quiet"
                                        aria-label={`Remove ${row.name}`}
                                        onClick={() =>
                                            void propose({
                                                title: `Removing the role ${row.name}`,
                                                act: 'Remove role',
                                                batch: { changes: [{ kind: 'remove-role', role: key }] },
                                            })
                                        }
                                    >
                                        Remove
                                    </Button>
                                )}
                            </div>
                        </li>
                    )
                })}
            </ul>
            {wanted !== null && <RoleDialog wanted={wanted} onClose={() => want(null)} />}
        </section>
    )
}
