import { useState } from 'react'
import type { Schemas } from '../../api/client'
import { mayOn, useSite } from '../../app/site'
import { Button } from '../../ui/Button'
import { lazily } from '../../ui/lazily'
import { moment } from '../../ui/time'

const AccessDialog = lazily(() => import('./AccessDialog').then(module => module.AccessDialog))

/** Which visitors see the page, and what says so. */
export function PageAccess({ sheet }: { sheet: Schemas['PageSheet'] }) {
    const { zone } = useSite()
    const [open, setOpen] = useState(false)
    const { own, holds, by } = sheet.access
    const waits = own !== null && by !== null
    return (
        <>
            <dt>Seen by</dt>
            <dd className="flex min-h-[30px] items-start gap-2">
                <span className="min-w-0 flex-1 py-[5px] break-words">
                    {holds === null ? 'everyone' : <b className="font-semibold">{holds.words}</b>}
                    {by !== null && <>, as “{by.name}” says</>}
                    {own !== null && (own.from !== null || own.until !== null) && (
                        <span className="block text-[12px] text-ink-3">
                            {own.words}
                            {own.from !== null && ` from ${moment(own.from, zone)}`}
                            {own.until !== null && ` until ${moment(own.until, zone)}`}
                            {waits && ', which is not now'}
                        </span>
                    )}
                </span>
                {mayOn(sheet, 'access') && (
                    <Button variant="quiet" aria-label="Change who sees the page…" onClick={() => setOpen(true)}>
                        Change…
                    </Button>
                )}
            </dd>
            {open && <AccessDialog sheet={sheet} onClose={() => setOpen(false)} />}
        </>
    )
}
