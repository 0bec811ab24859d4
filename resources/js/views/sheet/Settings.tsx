import { useState, type ReactNode } from 'react'
import type { Schemas } from '../../api/client'
import { useChanges } from '../../app/changes'
import { mayOn, useSite, type Right } from '../../app/site'
import { usePageActs } from '../../app/usePageActs'
import { Button } from '../../ui/Button'
import { moment } from '../../ui/time'
import { Further } from './Further'
import { InMenus } from './InMenus'
import { KindDialog } from './KindDialog'
import { PageAccess } from './PageAccess'
import { PageCode } from './PageCode'
import { PageShowing } from './PageShowing'
import { PageTags } from './PageTags'
import { PinDialog } from './PinDialog'
import { ScheduleDialog } from './ScheduleDialog'

type Sheet = Schemas['PageSheet']

/** What kind of page it is, when it is live, where else it answers, who finds it. */
export function Settings({ sheet }: { sheet: Sheet }) {
    const { isOwner, zone } = useSite()
    const may = (right: Right) => mayOn(sheet, right)
    const restructures = may('structure') && (may('publish') || !sheet.everLive)
    const { propose } = useChanges()
    const { act } = usePageActs()
    const [dialog, setDialog] = useState<'kind' | 'schedule' | 'pin' | null>(null)
    const unpin = () =>
        void propose({
            title: `Unpinning ${sheet.name}`,
            act: 'Unpin',
            batch: { changes: [{ kind: 'unpin', page: sheet.id }] },
        })
    const close = () => setDialog(null)
    return (
        <>
            <dl className="grid grid-cols-[104px_minmax(0,1fr)] gap-x-3 gap-y-1.5 border-t border-line pt-4 [&>dt]:pt-[5px] [&>dt]:text-ink-2">
                <dt>Kind</dt>
                <Line
                    act={
                        restructures && (
                            <Button variant="quiet" onClick={() => setDialog('kind')}>
                                Change…
                            </Button>
                        )
                    }
                >
                    {kindWords(sheet)}
                </Line>
                {sheet.kind === 'section' && (
                    <>
                        <dt>Addresses below</dt>
                        <Line
                            act={
                                restructures &&
                                (sheet.leftOut ? (
                                    <Button variant="quiet" onClick={() => void act('include-in-addresses', [sheet])}>
                                        Include
                                    </Button>
                                ) : (
                                    <Button variant="quiet" onClick={() => void act('leave-out-of-addresses', [sheet])}>
                                        Leave out
                                    </Button>
                                ))
                            }
                        >
                            {sheet.leftOut ? 'leave this section out' : 'begin with its own'}
                        </Line>
                    </>
                )}
                <dt>Schedule</dt>
                <Line
                    act={
                        (may('publish') || may('retire')) && (
                            <Button variant="quiet" onClick={() => setDialog('schedule')}>
                                {sheet.from === null && sheet.until === null ? 'Set…' : 'Change…'}
                            </Button>
                        )
                    }
                >
                    {scheduleWords(sheet, zone)}
                </Line>
                <dt>Listed</dt>
                <Line
                    act={
                        restructures &&
                        (sheet.listed ? (
                            <Button variant="quiet" onClick={() => void act('unlist-page', [sheet])}>
                                Unlist
                            </Button>
                        ) : (
                            <Button variant="quiet" onClick={() => void act('list-page', [sheet])}>
                                List
                            </Button>
                        ))
                    }
                >
                    {sheet.listed ? 'in menus, lists and the sitemap' : 'no: reached only by its address'}
                </Line>
                <PageAccess sheet={sheet} />
                <dt>Address</dt>
                <Line
                    act={
                        may('addresses') &&
                        !sheet.start &&
                        (sheet.pinned === null ? (
                            <Button variant="quiet" onClick={() => setDialog('pin')}>
                                Pin…
                            </Button>
                        ) : (
                            <Button variant="quiet" onClick={() => unpin()}>
                                Unpin
                            </Button>
                        ))
                    }
                >
                    {sheet.pinned === null ? 'follows parent and slug' : 'pinned by hand'}
                </Line>
                {(isOwner || sheet.isProtected) && (
                    <>
                        <dt>Protected</dt>
                        <Line
                            act={
                                isOwner &&
                                (sheet.isProtected ? (
                                    <Button variant="quiet" onClick={() => void act('unprotect', [sheet])}>
                                        Remove
                                    </Button>
                                ) : (
                                    <Button variant="quiet" onClick={() => void act('protect', [sheet])}>
                                        Protect
                                    </Button>
                                ))
                            }
                        >
                            {sheet.isProtected ? 'only the owner can retire it' : 'no'}
                        </Line>
                    </>
                )}
                <dt>Tags</dt>
                <dd>
                    <PageTags sheet={sheet} />
                </dd>
                <PageShowing sheet={sheet} />
                <PageCode sheet={sheet} />
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
    if (from !== null && state !== 'live')
        return `live from ${moment(from, zone)}${until === null ? '' : ` until ${moment(until, zone)}`}`
    if (until === null) return <span className="text-ink-3">none</span>
    return state === 'live' ? `until ${moment(until, zone)}` : `ended ${moment(until, zone)}`
}
