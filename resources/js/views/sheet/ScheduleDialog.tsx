import { MomentField } from '../../ui/MomentField'
import { useState } from 'react'
import type { Schemas } from '../../api/client'
import { useChanges } from '../../app/changes'
import { useSite } from '../../app/site'
import { Button } from '../../ui/Button'
import { Modal } from '../../ui/Modal'
import { fieldMoment } from '../../ui/time'
import { Muted } from '../../ui/Muted'
import { DialogActions } from '../../ui/DialogActions'

/** When a page goes live, and when it goes offline again, in the time of the site. */
export function ScheduleDialog({ sheet, onClose }: { sheet: Schemas['PageSheet']; onClose: () => void }) {
    const site = useSite()
    const { propose } = useChanges()
    const isLive = sheet.state === 'live'
    const ended = sheet.until !== null && !isLive && sheet.from === null
    const [from, setFrom] = useState(isLive ? '' : fieldMoment(sheet.from, site.zone))
    const [until, setUntil] = useState(ended ? '' : fieldMoment(sheet.until, site.zone))
    const [refused, setRefused] = useState<{ field: string; reason: string } | null>(null)
    const errorOf = (field: string) => (refused?.field === field ? refused.reason : undefined)
    const set = (begins: string | null, ends: string | null) => {
        setRefused(null)
        void propose({
            title:
                begins === null && ends === null
                    ? `Clearing the schedule of ${sheet.name}`
                    : `Scheduling ${sheet.name}`,
            act: begins === null && ends === null ? 'Clear the schedule' : 'Schedule',
            batch: { changes: [{ kind: 'schedule', page: sheet.id, from: begins, until: ends }] },
            done: onClose,
            failed: problem =>
                setRefused({
                    field: problem.problem.errors?.[0]?.field.split('.').pop() ?? 'from',
                    reason: problem.message,
                }),
        })
    }
    return (
        <Modal
            open
            onClose={onClose}
            title={`Schedule ${sheet.name}`}
            description={`Times are those of the site (${site.zone}).`}
        >
            <form
                className="grid gap-3"
                onSubmit={event => {
                    event.preventDefault()
                    set(from === '' ? null : from, until === '' ? null : until)
                }}
            >
                {isLive ? (
                    <Muted>It is live now. You can set when it ends.</Muted>
                ) : (
                    <MomentField
                        label="Live from"
                        value={from}
                        onChange={setFrom}
                        error={errorOf('from')}
                        hint="Visitors get it from that minute on."
                    />
                )}
                <MomentField
                    label="Until"
                    value={until}
                    onChange={setUntil}
                    error={errorOf('until') ?? (isLive ? errorOf('from') : undefined)}
                    hint="Empty for no end. Afterwards its address is kept."
                />
                <DialogActions className="mt-1">
                    {(sheet.from !== null || sheet.until !== null) && (
                        <Button onClick={() => set(null, null)}>Clear the schedule</Button>
                    )}
                    <Button onClick={onClose}>Cancel</Button>
                    <Button type="submit" variant="main" disabled={from === '' && until === ''}>
                        Schedule
                    </Button>
                </DialogActions>
            </form>
        </Modal>
    )
}
