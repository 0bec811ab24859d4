import { useQuery } from '@tanstack/react-query'
import { useNavigate } from '@tanstack/react-router'
import { useState } from 'react'
import { answered, api, type Schemas } from '../../api/client'
import { keys } from '../../api/queries'
import { useChanges } from '../../app/changes'
import { Sentence } from '../../app/Sentence'
import { useSite } from '../../app/site'
import { Button } from '../../ui/Button'
import { ago, clock } from '../../ui/time'
import { Compare } from './Compare'

/** What happened to this page: changes to the structure, and the versions of its words. */
export function HistoryTab({ sheet }: { sheet: Schemas['PageSheet'] }) {
    const site = useSite()
    const navigate = useNavigate()
    const { propose } = useChanges()
    const { data: entries } = useQuery({ queryKey: keys.pageHistory(site.key, sheet.id), queryFn: () => answered(api.GET('/sites/{site}/history', { params: { path: { site: site.key }, query: { page: sheet.id } } })) })
    return (
        <div className="grid gap-6">
            <section aria-label="Changes to the page">
                <h3 className="mb-1 font-semibold">Changes</h3>
                <ul className="grid gap-2">
                    {entries?.map(entry => (
                        <li key={entry.id} className="grid grid-cols-[minmax(0,1fr)_auto] gap-x-3 border-t border-line pt-2">
                            <div>
                                <button type="button" className={`text-left hover:underline hover:underline-offset-2 ${entry.takenBack ? 'text-ink-3 line-through' : ''}`} onClick={() => void navigate({ to: '/s/$site/history', params: { site: site.key }, search: { page: sheet.id, entry: entry.id } })}><Sentence text={entry.sentence} /></button>
                                <p className="text-[12px] text-ink-3">{ago(entry.at)}, {clock(entry.at)}, {entry.by ?? 'by schedule'}{entry.note !== '' && `: “${entry.note}”`}</p>
                            </div>
                            {site.manages && !entry.takenBack && !entry.thinned && <Button look="quiet" onClick={() => void propose({ title: 'Taking this change back', act: 'Take back', always: true, takeBack: { entries: [entry.id] } })}>Take back…</Button>}
                        </li>
                    ))}
                </ul>
                {entries?.length === 0 && <p className="text-ink-3">Nothing yet.</p>}
            </section>
            <Versions sheet={sheet} />
        </div>
    )
}

function Versions({ sheet }: { sheet: Schemas['PageSheet'] }) {
    const site = useSite()
    const { data } = useQuery({ queryKey: keys.revisions(site.key, sheet.id), queryFn: () => answered(api.GET('/sites/{site}/pages/{page}/revisions', { params: { path: { site: site.key, page: sheet.id } } })) })
    const [minorToo, setMinorToo] = useState(true)
    const [compared, setCompared] = useState<[number, number] | null>(null)
    const shown = data?.filter(version => minorToo || !version.minor) ?? []
    const latest = data?.[0]?.number ?? 0
    return (
        <section aria-label="Versions of the words">
            <div className="mb-1 flex items-baseline gap-3">
                <h3 className="font-semibold">Versions of the words</h3>
                {data?.some(version => version.minor) === true && <label className="ml-auto flex items-center gap-1.5 text-[13px] text-ink-2"><input type="checkbox" className="accent-heron" checked={minorToo} onChange={event => setMinorToo(event.target.checked)} />minor ones too</label>}
            </div>
            <ul className="grid gap-2">
                {shown.map((version, i) => (
                    <li key={version.number} className="grid grid-cols-[minmax(0,1fr)_auto] gap-x-3 border-t border-line pt-2">
                        <div>
                            <p><b className="font-semibold">{version.number}</b>{version.live && <span className="ml-2 text-[12px] text-reed">visitors see this one</span>}{version.minor && <span className="ml-2 text-[12px] text-ink-3">minor</span>}{version.note !== '' && <span className="ml-2">{version.note}</span>}</p>
                            <p className="text-[12px] text-ink-3">{ago(version.at)}, {clock(version.at)}{version.by !== null && `, ${version.by}`}</p>
                        </div>
                        <span className="flex gap-1">
                            {version.number !== latest && <Button look="quiet" onClick={() => setCompared([version.number, latest])}>With the latest</Button>}
                            {shown[i + 1] !== undefined && <Button look="quiet" onClick={() => setCompared([shown[i + 1]?.number ?? 0, version.number])}>What changed</Button>}
                        </span>
                    </li>
                ))}
            </ul>
            {data?.length === 0 && <p className="text-ink-3">Nothing has been written yet.</p>}
            {compared !== null && <Compare sheet={sheet} left={compared[0]} right={compared[1]} latest={latest} onClose={() => setCompared(null)} />}
        </section>
    )
}
