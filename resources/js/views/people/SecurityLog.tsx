import { useInfiniteQuery } from '@tanstack/react-query'
import { answered, api, type Schemas } from '../../api/client'
import { keys } from '../../api/queries'
import { useSite } from '../../app/site'
import { Button } from '../../ui/Button'
import { Muted } from '../../ui/Muted'
import { ReadFailure } from '../../ui/ReadFailure'
import { moment } from '../../ui/time'
import { deviceWords } from '../../app/device'
import { happened } from '../../app/happened'

/** What happened at the door and to rights; nobody changes it, and it can be saved as a table. */
export function SecurityLog() {
    const site = useSite()
    const log = useInfiniteQuery({
        queryKey: [...keys.site(site.key), 'security-log'],
        queryFn: async ({ pageParam }) =>
            (await answered(
                api.GET('/sites/{site}/security-log', {
                    params: { path: { site: site.key }, query: pageParam === null ? {} : { before: pageParam } },
                }),
            )) as Schemas['SecurityLog'],
        initialPageParam: null as number | null,
        getNextPageParam: last => (last.more ? (last.lines.at(-1)?.id ?? null) : null),
    })
    const lines = log.data?.pages.flatMap(page => page.lines) ?? []
    return (
        <section aria-label="Log" className="max-w-[1040px]">
            <div className="flex items-center gap-3">
                <Muted small>
                    Sign-ins of those who work here, refusals, and changes of rights and access. Nobody can change or
                    remove a line.
                </Muted>
                <a
                    className="ml-auto font-semibold text-heron hover:underline"
                    href={`/api/v1/sites/${site.key}/security-log?format=csv`}
                    download
                >
                    Save as CSV
                </a>
            </div>
            <ReadFailure of={log} />
            <table className="mt-2 w-full table-fixed border-collapse">
                <thead>
                    <tr className="border-b border-line text-left text-[12px] text-ink-3 [&>th]:py-1.5 [&>th]:pr-4 [&>th]:font-normal">
                        <th scope="col" className="w-[170px]">
                            When
                        </th>
                        <th scope="col" className="w-[20%]">
                            Who
                        </th>
                        <th scope="col">What</th>
                        <th scope="col" className="w-[22%]">
                            Where
                        </th>
                    </tr>
                </thead>
                <tbody>
                    {lines.map(line => (
                        <tr key={line.id} className="border-b border-line align-top [&>td]:py-1.5 [&>td]:pr-4">
                            <td className="whitespace-nowrap text-ink-3">{moment(line.at, site.zone)}</td>
                            <td className="font-semibold">{line.who}</td>
                            <td className={line.kind === 'refused' ? 'text-berry' : ''}>
                                {happened[line.kind]}
                                {line.detail !== '' && <span className="text-ink-2">: {line.detail}</span>}
                            </td>
                            <td className="text-[13px] text-ink-3">
                                {[line.device === '' ? '' : deviceWords(line.device), line.network]
                                    .filter(Boolean)
                                    .join(', ')}
                            </td>
                        </tr>
                    ))}
                </tbody>
            </table>
            {log.hasNextPage && (
                <Button className="mt-3" onClick={() => void log.fetchNextPage()}>
                    Show older ones
                </Button>
            )}
        </section>
    )
}
