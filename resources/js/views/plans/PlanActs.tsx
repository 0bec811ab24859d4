import { MomentField } from '../../ui/MomentField'
import { MoreHorizontal } from 'lucide-react'
import { useState } from 'react'
import { ApiProblem } from '../../api/client'
import { notify } from '../../app/notify'
import type { PlansSearch } from '../../app/plansSearch'
import { Button } from '../../ui/Button'
import { DialogActions } from '../../ui/DialogActions'
import { Field, inputClasses } from '../../ui/Field'
import { MenuButton } from '../../ui/MenuButton'
import { MenuAct, MenuLine, MenuList } from '../../ui/MenuList'
import { Modal } from '../../ui/Modal'
import type { PlanActs as Acts, PlanItem } from './usePlans'

type Dialog = 'moment' | 'link' | 'rename' | 'discard' | null
type Props = {
    plan: PlanItem
    acts: Acts
    others: PlanItem[]
    onOpen: (search: PlansSearch) => void
    onLeave: () => void
}

/** What else can be done with a plan. */
export function PlanActs({ plan, acts, others, onOpen, onLeave }: Props) {
    const [dialog, show] = useState<Dialog>(null)
    const close = () => show(null)
    // The menu closes, and lets the focus go, before the dialog takes it.
    const open = (next: Dialog) => () => setTimeout(() => show(next))
    return (
        <>
            <MenuButton
                aria-label="More of this plan"
                className="grid size-[30px] place-items-center rounded-md text-ink-2 hover:bg-sunk"
                menu={trigger => (
                    <MenuList trigger={trigger} align="end" className="min-w-[220px]">
                        <MenuAct onSelect={open('moment')}>Apply at a set time…</MenuAct>
                        <MenuAct onSelect={open('link')}>Secret link for others…</MenuAct>
                        {others.map(other => (
                            <MenuAct key={other.id} onSelect={() => onOpen({ plan: plan.id, against: other.id })}>
                                Compare with “{other.name}”
                            </MenuAct>
                        ))}
                        <MenuLine />
                        <MenuAct onSelect={open('rename')}>Rename…</MenuAct>
                        <MenuAct onSelect={open('discard')}>Discard the plan…</MenuAct>
                    </MenuList>
                )}
            >
                <MoreHorizontal size={17} aria-hidden />
            </MenuButton>
            {dialog === 'moment' && <AtMoment plan={plan} acts={acts} onClose={close} />}
            {dialog === 'link' && <SecretLink plan={plan} acts={acts} onClose={close} />}
            {dialog === 'rename' && <Rename plan={plan} acts={acts} onClose={close} />}
            {dialog === 'discard' && (
                <Modal
                    open
                    alert
                    onClose={close}
                    title={`Discard “${plan.name}”?`}
                    description="Everything prepared in it is forgotten. The living site stays as it is."
                >
                    <DialogActions>
                        <Button onClick={close}>Cancel</Button>
                        <Button
                            variant="breaks"
                            onClick={() =>
                                acts.discard.mutate(undefined, {
                                    onSuccess: () => {
                                        onLeave()
                                        onOpen({})
                                    },
                                    onError: problem => notify.error(problem.message),
                                })
                            }
                        >
                            Discard the plan
                        </Button>
                    </DialogActions>
                </Modal>
            )}
        </>
    )
}

type DialogProps = { plan: PlanItem; acts: Acts; onClose: () => void }

function AtMoment({ plan, acts, onClose }: DialogProps) {
    const [at, set] = useState('')
    const problem = acts.describe.error instanceof ApiProblem ? acts.describe.error : null
    const say = (switchAt: string | null) => acts.describe.mutate({ switchAt }, { onSuccess: onClose })
    return (
        <Modal
            open
            onClose={onClose}
            title="Apply at a set time"
            description="On the clock of the site. What stands in its way then is told here, and nothing is done."
        >
            <form
                className="grid gap-3"
                onSubmit={event => {
                    event.preventDefault()
                    say(at)
                }}
            >
                <MomentField
                    label="Date and time"
                    value={at}
                    error={problem?.reasonFor('switchAt')?.reason ?? problem?.reasonFor('at')?.reason}
                    onChange={set}
                />
                <DialogActions>
                    {plan.switchAt !== null && <Button onClick={() => say(null)}>No set time</Button>}
                    <Button onClick={onClose}>Cancel</Button>
                    <Button type="submit" variant="main" disabled={at === ''}>
                        Set the time
                    </Button>
                </DialogActions>
            </form>
        </Modal>
    )
}

function SecretLink({ plan, acts, onClose }: DialogProps) {
    const url = acts.link.data?.url
    return (
        <Modal
            open
            onClose={onClose}
            title="Secret link"
            description="Whoever has the link sees the public site as this plan would leave it. Search engines are kept out. A new link ends the one before."
        >
            {url !== undefined && (
                <input
                    readOnly
                    aria-label="Secret link"
                    value={url}
                    className={`${inputClasses} mb-3 font-mono text-[13px]`}
                    onFocus={event => event.target.select()}
                />
            )}
            <DialogActions>
                {plan.hasLink && (
                    <Button
                        onClick={() =>
                            acts.unlink.mutate(undefined, {
                                onSuccess: () => {
                                    acts.link.reset()
                                    onClose()
                                },
                            })
                        }
                    >
                        End the link
                    </Button>
                )}
                <Button onClick={onClose}>Close</Button>
                <Button variant="main" disabled={acts.link.isPending} onClick={() => acts.link.mutate()}>
                    {plan.hasLink ? 'Make a new link' : 'Make a link'}
                </Button>
            </DialogActions>
        </Modal>
    )
}

function Rename({ plan, acts, onClose }: DialogProps) {
    const [name, setName] = useState(plan.name)
    const [description, describe] = useState(plan.description)
    const problem = acts.describe.error instanceof ApiProblem ? acts.describe.error : null
    return (
        <Modal open onClose={onClose} title="Rename the plan">
            <form
                className="grid gap-3"
                onSubmit={event => {
                    event.preventDefault()
                    acts.describe.mutate({ name, description }, { onSuccess: onClose })
                }}
            >
                <Field
                    label="Name"
                    value={name}
                    error={problem?.reasonFor('name')?.reason}
                    onChange={event => setName(event.target.value)}
                />
                <Field
                    label="What for"
                    value={description}
                    error={problem?.reasonFor('description')?.reason}
                    onChange={event => describe(event.target.value)}
                />
                <DialogActions>
                    <Button onClick={onClose}>Cancel</Button>
                    <Button type="submit" variant="main" disabled={name.trim() === ''}>
                        Save
                    </Button>
                </DialogActions>
            </form>
        </Modal>
    )
}
