import { useState, type ReactNode } from 'react'
import type { Schemas } from '../../api/client'
import { useChanges, type Change } from '../../app/changes'
import { useSite } from '../../app/site'
import { usePageActs } from '../../app/usePageActs'
import { Button } from '../../ui/Button'
import { moment } from '../../ui/time'
import { Further } from './Further'
import { InMenus } from './InMenus'
import { KindDialog } from './KindDialog'
import { PinDialog } from './PinDialog'
import { ScheduleDialog } from './ScheduleDialog'

type Sheet = Schemas['PageSheet']

/** What kind of page it is, when it is live, where else it answers, who finds it. */
export function Standing({ sheet }: { sheet: Sheet }) {
    const { manages, role, zone } = useSite()
    const { propose } = useChanges()
    const { act } = usePageActs()
    const [dialog, setDialog] = useState<'kind' | 'schedule' | 'pin' | null>(null)
    const turn = (kind: Change['kind'], title: string, act: string) =>
        void propose({ title, act, batch: { changes: [{ kind, page: sheet.id }] } })
    const close = () => setDialog(null)
    return (
        <>
            <dl className="grid grid-cols-[104px_minmax(0,1fr)] gap-x-3 gap-y-1.5 border-t border-line pt-4 [&>dt]:pt-[5px] [&>dt]:text-ink-2">
                <dt>Kind</dt>
                <Line
                    act={
                        manages && (
                            <Button look="quiet" onClick={() => setDialog('kind')}>
                                Change…
                            </Button>
                        )
                    }>
                    {kindWords(sheet)}
                </Line>
                {sheet.kind === 'section' && (
                    <>
                        <dt>Addresses below</dt>
                        <Line
                            act={
                                manages &&
                                (sheet.leftOut ? (
                                    <Button
                                        look="quiet"
                                        onClick={() => turn('take-in', `Taking ${sheet.name} into the addresses below`, 'Take in')}>
                                        Take in
                                    </Button>
                                ) : (
                                    <Button
                                        look="quiet"
                                        onClick={() => turn('leave-out', `Leaving ${sheet.name} out of the addresses below`, 'Leave out')}>
                                        Leave out
                                    </Button>
                                ))
                            }>
                            {sheet.leftOut ? 'leave this section out' : 'begin with its own'}
                        </Line>
                    </>
                )}
                <dt>Schedule</dt>
                <Line
                    act={
                        manages && (
                            <Button look="quiet" onClick={() => setDialog('schedule')}>
                                {sheet.from === null && sheet.until === null ? 'Set…' : 'Change…'}
                            </Button>
                        )
                    }>
                    {scheduleWords(sheet, zone)}
                </Line>
                <dt>Listed</dt>
                <Line
                    act={
                        manages &&
                        (sheet.listed ? (
                            <Button look="quiet" onClick={() => void act('unlist', [sheet])}>
                                Unlist
                            </Button>
                        ) : (
                            <Button look="quiet" onClick={() => void act('list', [sheet])}>
                                List
                            </Button>
                        ))
                    }>
                    {sheet.listed ? 'in menus, lists and the sitemap' : 'no: reached only by its address'}
                </Line>
                <dt>Address</dt>
                <Line
                    act={
                        manages &&
                        !sheet.start &&
                        (sheet.pinned === null ? (
                            <Button look="quiet" onClick={() => setDialog('pin')}>
                                Pin…
                            </Button>
                        ) : (
                            <Button look="quiet" onClick={() => turn('unpin', `Unpinning ${sheet.name}`, 'Unpin')}>
                                Unpin
                            </Button>
                        ))
                    }>
                    {sheet.pinned === null ? 'follows parent and slug' : 'pinned by hand'}
                </Line>
                {(role === 'owner' || sheet.kept) && (
                    <>
                        <dt>Kept</dt>
                        <Line
                            act={
                                role === 'owner' &&
                                (sheet.kept ? (
                                    <Button look="quiet" onClick={() => turn('let-go', `${sheet.name} is no longer kept`, 'Let go')}>
                                        Let go
                                    </Button>
                                ) : (
                                    <Button look="quiet" onClick={() => turn('keep', `Marking ${sheet.name} as kept`, 'Keep')}>
                                        Keep
                                    </Button>
                                ))
                            }>
                            {sheet.kept ? 'only the owner retires it' : 'no'}
                        </Line>
                    </>
                )}
                <InMenus sheet={sheet} />
                <Further sheet={sheet} />
            </dl>
            {dialog === 'kind' && <KindDialog sheet={sheet} onClose={close} />}
            {dialog === 'schedule' && <ScheduleDialog sheet={sheet} onClose={close} />}
            {dialog === 'pin' && <PinDialog sheet={sheet} onClose={close} />}
        </>
    )
}

function Line({ children, act }: { children: ReactNode; act: ReactNode }) {
    return (
        <dd className="flex min-h-[30px] items-start gap-2">
            <span className="min-w-0 flex-1 py-[5px] break-words">{children}</span>
            {act}
        </dd>
    )
}

function kindWords({ kind, leadsTo }: Sheet) {
    if (kind === 'pointer')
        return (
            <>
                pointer to <b className="font-semibold">{leadsTo?.name}</b>
            </>
        )
    if (kind === 'download')
        return (
            <>
                download of <b className="font-semibold">{leadsTo?.name}</b>
            </>
        )
    return kind === 'section' ? 'section: leads to its first live page' : 'page'
}

function scheduleWords({ state, from, until }: Sheet, zone: string) {
    if (from !== null && state !== 'live') return `live from ${moment(from, zone)}${until === null ? '' : ` until ${moment(until, zone)}`}`
    if (until === null) return <span className="text-ink-3">none</span>
    return state === 'live' ? `until ${moment(until, zone)}` : `ended ${moment(until, zone)}`
}
