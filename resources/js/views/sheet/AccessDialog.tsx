import { MomentField } from '../../ui/MomentField'
import { useState } from 'react'
import type { Schemas } from '../../api/client'
import { useChanges } from '../../app/changes'
import { useSite } from '../../app/site'
import { Button } from '../../ui/Button'
import { Choice } from '../../ui/Choice'
import { DialogActions } from '../../ui/DialogActions'
import { FieldFrame } from '../../ui/Field'
import { Modal } from '../../ui/Modal'
import { Muted } from '../../ui/Muted'
import { Select } from '../../ui/Select'
import { fieldMoment } from '../../ui/time'
import { AccessWays, waysOf, type Ways } from './AccessWays'

type Said = Schemas['SaidAccess']
type To = 'above' | Said['to']
type Props = { sheet: Schemas['PageSheet']; onClose: () => void }

const others: Record<Said['others'], string> = {
    'sign-in': 'the form to sign in, and from there the page',
    password: 'the form for the password',
    refused: 'a page that says that it is closed (403)',
    missing: 'what stands where there is no page (404)',
}

/** Says who sees a page and what is below it; what follows is shown before it is done. */
export function AccessDialog({ sheet, onClose }: Props) {
    const site = useSite()
    const { propose } = useChanges()
    const { own, holds, by } = sheet.access
    const [to, setTo] = useState<To>(own?.to ?? 'above')
    const [ways, setWays] = useState<Ways>(() => waysOf(own))
    const [answer, setAnswer] = useState<Said['others'] | null>(
        own === null || own.to === 'everyone' ? null : own.others,
    )
    const [from, setFrom] = useState(fieldMoment(own?.from ?? null, site.zone))
    const [until, setUntil] = useState(fieldMoment(own?.until ?? null, site.zone))
    const [https, setHttps] = useState(own?.https ?? false)
    const [timed, setTimed] = useState(from !== '' || until !== '')
    const [refused, setRefused] = useState<{ field: string; reason: string } | null>(null)
    const errorOf = (...fields: string[]) =>
        refused !== null && fields.some(field => refused.field === field || refused.field.startsWith(`${field}.`))
            ? refused.reason
            : undefined
    const useful = (Object.keys(others) as Said['others'][]).filter(
        each =>
            (each !== 'sign-in' || (to === 'some' && ways.signedIn)) &&
            (each !== 'password' || (to === 'some' && ways.password)),
    )
    const given = answer !== null && useful.includes(answer) ? answer : (useful[0] ?? 'refused')
    const access = () =>
        to === 'above'
            ? null
            : {
                  to,
                  ...(to === 'some' && {
                      signedIn: ways.signedIn && !ways.byRole,
                      roles: ways.signedIn && ways.byRole ? split(ways.roles, /[,\n]/) : [],
                      password: ways.password ? ways.typed || true : null,
                      networks: ways.network ? split(ways.networks, /[\s,]+/) : [],
                      all: ways.all,
                  }),
                  ...(to !== 'everyone' && { others: given }),
                  from: timed && from !== '' ? from : null,
                  until: timed && until !== '' ? until : null,
                  https,
              }
    const save = () => {
        setRefused(null)
        void propose({
            title: `Changing who sees ${sheet.name}`,
            act: 'Change',
            batch: { changes: [{ kind: 'set-access', page: sheet.id, access: access() }] },
            always: true,
            failed: problem =>
                setRefused({
                    field: problem.problem.errors?.[0]?.field.split('access.').pop() ?? 'to',
                    reason: problem.message,
                }),
        })
    }
    const choices: [To, string][] = [
        ['above', aboveWords(own === null ? holds : null, own === null ? by : null)],
        ['everyone', 'Everyone'],
        ['some', 'Some visitors'],
        ['nobody', 'Nobody'],
    ]
    return (
        <Modal
            open
            onClose={onClose}
            title={`Who sees ${sheet.name}`}
            description="And the pages below it that say nothing themselves."
            width={560}
        >
            <form
                className="grid gap-4"
                onSubmit={event => {
                    event.preventDefault()
                    save()
                }}
            >
                <fieldset className="flex flex-wrap gap-x-5 gap-y-1.5">
                    <legend className="sr-only">Open to</legend>
                    {choices.map(([key, label]) => (
                        <Choice key={key} type="radio" name="to" checked={to === key} onChange={() => setTo(key)}>
                            {label}
                        </Choice>
                    ))}
                    {errorOf('to') !== undefined && (
                        <p role="alert" className="text-[12px] text-berry">
                            {errorOf('to')}
                        </p>
                    )}
                </fieldset>
                {to === 'some' && <AccessWays ways={ways} onChange={setWays} errorOf={errorOf} />}
                {(to === 'some' || to === 'nobody') && (
                    <FieldFrame stacked label="Others get" error={errorOf('others')}>
                        {({ id }) => (
                            <Select
                                id={id}
                                value={given}
                                choices={useful.map(each => [each, others[each]] as const)}
                                onChoose={chosen => setAnswer(chosen)}
                            />
                        )}
                    </FieldFrame>
                )}
                {to !== 'above' && (
                    <div className="grid gap-1.5">
                        <Choice checked={https} onChange={event => setHttps(event.target.checked)}>
                            Only over https, even where the site is reached by http
                        </Choice>
                        <Choice checked={timed} onChange={event => setTimed(event.target.checked)}>
                            Only for a time
                        </Choice>
                    </div>
                )}
                {to !== 'above' && timed && (
                    <div className="grid gap-1 pl-[22px]">
                        <div className="grid grid-cols-2 gap-3">
                            <MomentField stacked label="From" value={from} error={errorOf('from')} onChange={setFrom} />
                            <MomentField
                                stacked
                                label="Until"
                                value={until}
                                error={errorOf('until')}
                                onChange={setUntil}
                            />
                        </div>
                        <Muted small>
                            Before and after, what is said above holds. Times are those of the site ({site.zone}).
                        </Muted>
                    </div>
                )}
                <DialogActions>
                    <Button onClick={onClose}>Cancel</Button>
                    <Button type="submit" variant="main">
                        See what follows…
                    </Button>
                </DialogActions>
            </form>
        </Modal>
    )
}

const split = (typed: string, by: RegExp) =>
    typed
        .split(by)
        .map(each => each.trim())
        .filter(each => each !== '')

function aboveWords(holds: Said | null, by: Schemas['PageAccess']['by']) {
    if (holds === null || by === null) return 'As what is above it says'
    return `As “${by.name}” says: ${holds.words}`
}
