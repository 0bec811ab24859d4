import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { answered, api, type Schemas } from '../../api/client'
import { keys } from '../../api/queries'
import { useSite } from '../../app/site'
import { Alert } from '../../ui/Alert'
import { Button } from '../../ui/Button'
import { count } from '../../ui/count'
import { Muted } from '../../ui/Muted'
import { ReadFailure } from '../../ui/ReadFailure'
import { moment } from '../../ui/time'
import { OutsideSwitch } from './OutsideSwitch'
import { engineMessagesQuery } from './queries'

const states: Record<Schemas['EngineMessage']['state'], [string, string]> = {
    waiting: ['Waiting', 'text-amber'],
    taken: ['Taken', 'text-reed'],
    refused: ['Refused', 'text-berry'],
}

/** What search engines are told of pages that came, changed or went, and what they answered. */
export function EngineMessages() {
    const site = useSite()
    const queries = useQueryClient()
    const messages = useQuery(engineMessagesQuery(site.key))
    const again = useMutation({
        mutationFn: (message: number) =>
            answered(
                api.POST('/sites/{site}/engine-messages/{message}/again', {
                    params: { path: { site: site.key, message } },
                }),
            ),
        onSuccess: () => queries.invalidateQueries({ queryKey: keys.site(site.key) }),
    })
    const { data } = messages
    if (messages.isPending) return null
    return (
        <section aria-label="Telling search engines" className="grid content-start gap-2 lg:col-span-2">
            <div className="flex flex-wrap items-center justify-between gap-3">
                <h2 className="text-[16px] font-bold">Telling search engines</h2>
                {data !== undefined && (
                    <OutsideSwitch service="tellsEngines" isOn={data.isOn} what="telling search engines of changes" />
                )}
            </div>
            <ReadFailure of={messages} />
            {again.error !== null && <Alert>{again.error.message}</Alert>}
            <p className="text-ink-2">
                {data?.isOn === true ? (
                    <>
                        Engines that take part in IndexNow are told within a minute of each page that comes, changes or
                        goes; drafts and unlisted pages are never named. Your key is at{' '}
                        <span className="font-mono text-[12px] break-all">{data.key?.replace(/^https?:\/\//, '')}</span>
                        .
                        {data.noted > 0 &&
                            ` ${count(data.noted, 'address waits', 'addresses wait')} for the next message.`}
                    </>
                ) : (
                    'Switched on, engines that take part in IndexNow (an open protocol) are told of each page that comes, changes or goes, so that they look again sooner. The sitemap is named in robots.txt in any case.'
                )}
            </p>
            {data?.isOn === true && data.rows.length === 0 && (
                <Muted>Nothing has changed since it was switched on.</Muted>
            )}
            <ul>
                {data?.rows.map(row => (
                    <li
                        key={row.id}
                        className="grid grid-cols-[76px_minmax(0,1fr)_minmax(0,1fr)_auto] items-baseline gap-3 border-t border-line py-1.5"
                    >
                        <b className={`font-semibold ${states[row.state][1]}`}>{states[row.state][0]}</b>
                        <span className="min-w-0">
                            {count(row.addresses, 'address', 'addresses')}{' '}
                            <span className="font-mono text-[12px] text-ink-3">
                                {row.first.join(', ')}
                                {row.addresses > row.first.length && ' …'}
                            </span>
                        </span>
                        <span className="text-ink-2">
                            {row.says}
                            <span className="block text-[12px] text-ink-3">
                                {moment(row.sent ?? row.made)}
                                {row.tries > 1 && `, ${count(row.tries, 'try', 'tries')}`}
                                {row.state === 'waiting' && `, again at ${moment(row.next)}`}
                            </span>
                        </span>
                        <span className="text-right">
                            {row.state === 'refused' && site.may('search') && (
                                <Button variant="quiet" disabled={again.isPending} onClick={() => again.mutate(row.id)}>
                                    Send again
                                </Button>
                            )}
                        </span>
                    </li>
                ))}
            </ul>
        </section>
    )
}
