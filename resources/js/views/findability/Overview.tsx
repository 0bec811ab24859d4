import { useQuery } from '@tanstack/react-query'
import type { Schemas } from '../../api/client'
import { Sentence } from '../../app/Sentence'
import { count } from '../../ui/count'
import { Muted } from '../../ui/Muted'
import { ReadFailure } from '../../ui/ReadFailure'
import { ago } from '../../ui/time'
import { countOf, severityLooks, severityWords } from './labels'
import { auditQuery } from './queries'
import { ScoreChart } from './ScoreChart'

type Props = { site: string; onCheck: (check: string) => void; onEntry: (entry: string) => void }

/** Where the site stands, what is most worth doing, and what got worse in a week by which change. */
export function Overview({ site, onCheck, onEntry }: Props) {
    const audit = useQuery(auditQuery(site))
    const { data } = audit
    return (
        <div className="min-h-0 flex-1 overflow-y-auto px-4 py-4">
            <ReadFailure of={audit} />
            {data !== undefined && (
                <div className="grid max-w-[1120px] gap-x-10 gap-y-6 lg:grid-cols-[minmax(0,1fr)_minmax(0,380px)]">
                    <section aria-label="Where the site stands" className="lg:col-span-2">
                        <div className="flex flex-wrap items-start gap-x-12 gap-y-3">
                            <Figure value={data.score === null ? '–' : String(data.score)} label="score of 100" />
                            <Figure
                                value={`${data.clean.toLocaleString('en-GB')} of ${data.pages.toLocaleString('en-GB')}`}
                                label="pages without a finding"
                            />
                            <div className="min-w-[280px] flex-1">
                                <ScoreChart days={data.days} />
                            </div>
                        </div>
                        <p role="status" className="text-[12px] text-ink-3">
                            {data.waiting > 0 && `${count(data.waiting, 'page')} still to be looked at.`}
                        </p>
                    </section>
                    <section aria-label="Most worth doing">
                        <h2 className="mb-1 text-[16px] font-bold">Most worth doing</h2>
                        {data.first.length === 0 ? (
                            <p className="text-reed">Nothing was found on any page that visitors see.</p>
                        ) : (
                            <ol>
                                {data.first.map((group, n) => (
                                    <Worth key={group.check} n={n + 1} group={group} onCheck={onCheck} />
                                ))}
                            </ol>
                        )}
                    </section>
                    <section aria-label="Worse since last week">
                        <h2 className="mb-1 text-[16px] font-bold">Worse since last week</h2>
                        {data.worse.length === 0 ? (
                            <Muted>No change of the last seven days brought a finding.</Muted>
                        ) : (
                            <ul>
                                {data.worse.map(each => (
                                    <li key={`${each.check} ${each.entry}`} className="border-t border-line py-2">
                                        <button
                                            type="button"
                                            className="font-semibold text-heron hover:underline"
                                            onClick={() => onCheck(each.check)}
                                        >
                                            {each.title}
                                        </button>{' '}
                                        <span className="text-ink-2">
                                            {each.pages === 1
                                                ? `on “${each.first}”`
                                                : `on ${count(each.pages, 'page')}`}
                                        </span>
                                        <p className="text-[12px] leading-4 text-ink-3">
                                            {ago(each.at)}, caused by:{' '}
                                            <button
                                                type="button"
                                                className="text-left text-ink-2 hover:underline"
                                                onClick={() => each.entry !== null && onEntry(each.entry)}
                                            >
                                                <Sentence text={each.sentence} />
                                            </button>
                                        </p>
                                    </li>
                                ))}
                            </ul>
                        )}
                    </section>
                </div>
            )}
        </div>
    )
}

function Figure({ value, label }: { value: string; label: string }) {
    return (
        <p>
            <b className="block text-[32px] leading-9 font-bold tracking-[-0.02em]">{value}</b>
            <span className="text-ink-2">{label}</span>
        </p>
    )
}

function Worth({ n, group, onCheck }: { n: number; group: Schemas['FindingGroup']; onCheck: (check: string) => void }) {
    return (
        <li className="flex items-baseline gap-3 border-t border-line py-2">
            <span className="w-5 text-right text-ink-3 tabular-nums">{n}</span>
            <span className="min-w-0 flex-1">
                <button
                    type="button"
                    className="font-semibold text-heron hover:underline"
                    onClick={() => onCheck(group.check)}
                >
                    {group.title}
                </button>
                <span className="block text-[12px] leading-4 text-ink-2">
                    <b className={`font-semibold ${severityLooks[group.severity]}`}>{severityWords[group.severity]}.</b>{' '}
                    {group.why}
                </span>
            </span>
            <span className="whitespace-nowrap text-ink-2">{countOf(group)}</span>
        </li>
    )
}
