import { useMutation } from '@tanstack/react-query'
import { useState } from 'react'
import { answered, api, type Schemas } from '../../api/client'
import { ulid } from '../../api/ulid'
import { useChanges, type Change } from '../../app/changes'
import { PickPage } from '../../app/PickPage'
import { useSite } from '../../app/site'
import { Button } from '../../ui/Button'
import { count } from '../../ui/count'
import { fileLook, inputLook } from '../../ui/Field'
import { Modal } from '../../ui/Modal'

type Row = Schemas['MatchedAddress']
type Chosen = { page?: { id: string; name: string }; gone?: boolean; isOn?: boolean }

/** Matches the addresses of an old site to pages: proposed with a confidence, accepted from a threshold or one by one, made as one change. */
export function MatchOld({ onClose }: { onClose: () => void }) {
    const site = useSite()
    const { propose } = useChanges()
    const [text, setText] = useState('')
    const [threshold, setThreshold] = useState(90)
    const [chosen, setChosen] = useState<Record<string, Chosen>>({})
    const [picking, setPicking] = useState<string | null>(null)
    const [bySure, setBySure] = useState(true)
    const match = useMutation({ mutationFn: () => answered(api.POST('/sites/{site}/redirects-match', { params: { path: { site: site.key } }, body: { text } })) })
    const rows = match.data ?? []
    const set = (old: string, change: Chosen) => setChosen(before => ({ ...before, [old]: { ...before[old], ...change } }))
    const free = (row: Row) => row.address !== null && row.held === null
    const isTaken = (row: Row) => free(row) && (chosen[row.old]?.gone === true || (chosen[row.old]?.isOn ?? (chosen[row.old]?.page !== undefined || (row.page !== null && row.confidence * 100 >= threshold))))
    const pageOf = (row: Row) => chosen[row.old]?.page ?? row.page
    const taken = rows.filter(row => isTaken(row) && (chosen[row.old]?.gone === true || pageOf(row) !== null))
    const make = () => {
        const changes = taken.map((row): Change => (chosen[row.old]?.gone === true ? { kind: 'make-redirect', redirect: ulid(), source: row.address ?? '', answer: '410', note: 'Of the old site' } : { kind: 'make-redirect', redirect: ulid(), source: row.address ?? '', leadsTo: { page: pageOf(row)?.id ?? '' }, note: 'Of the old site' }))
        onClose()
        void propose({ title: `Sending ${count(changes.length, 'old address', 'old addresses')} on`, act: 'Make them', always: true, batch: { changes } })
    }
    const shown = bySure ? [...rows].sort((a, b) => b.confidence - a.confidence) : rows
    return (
        <Modal open onClose={onClose} title="Match addresses of an old site" says="One a line, a table with titles, a sitemap, or an access log in the common or combined format." width={860}>
            {match.data === undefined ? (
                <>
                    <textarea aria-label="Old addresses" rows={9} value={text} onChange={event => setText(event.target.value)} placeholder={'/old/timetable.html\nhttps://old.example/contact'} className={`${inputLook} font-mono text-[13px]`} />
                    <div className="mt-2 flex flex-wrap items-center justify-between gap-2">
                        <input type="file" aria-label="File of old addresses" accept=".csv,.tsv,.txt,.xml,.log" onChange={event => void event.target.files?.[0]?.text().then(setText)} className={fileLook} />
                        <span className="flex gap-2"><Button onClick={onClose}>Let it be</Button><Button look="main" disabled={text.trim() === '' || match.isPending} onClick={() => match.mutate()}>Match them</Button></span>
                    </div>
                    {match.error !== null && <p role="alert" className="mt-2 text-berry">{match.error.message}</p>}
                </>
            ) : (
                <>
                    <div className="flex flex-wrap items-center gap-3">
                        <label className="flex items-center gap-2 text-ink-2">Accept from <input type="number" min={0} max={100} value={threshold} onChange={event => setThreshold(Number(event.target.value))} aria-label="Accept from" className={`${inputLook} w-18!`} /> % sure</label>
                        <label className="flex items-center gap-2 text-ink-2"><input type="checkbox" className="accent-heron" checked={bySure} onChange={event => setBySure(event.target.checked)} />The surest first</label>
                        <span className="ml-auto flex gap-2"><Button onClick={() => match.reset()}>Another list</Button><Button look="main" disabled={taken.length === 0} onClick={make}>Send {count(taken.length, 'address', 'addresses')} on</Button></span>
                    </div>
                    <div className="mt-3 max-h-[48vh] overflow-y-auto border-t border-line">
                        <table className="w-full text-[13px]">
                            <thead className="sticky top-0 bg-sheet"><tr className="text-left text-[12px] text-ink-3"><th className="w-8 font-normal"><span className="sr-only">Accepted</span></th><th className="font-normal">Old address</th><th className="font-normal">Becomes</th><th className="w-14 text-right font-normal">Sure</th><th className="w-16 font-normal"><span className="sr-only">Gone</span></th></tr></thead>
                            <tbody>
                                {shown.map(row => {
                                    const page = pageOf(row)
                                    const isGone = chosen[row.old]?.gone === true
                                    return (
                                        <tr key={row.old} className="border-t border-line align-top">
                                            <td className="py-1.5"><input type="checkbox" aria-label={`Accept ${row.old}`} className="accent-heron" disabled={!free(row) || (page === null && !isGone)} checked={isTaken(row) && (isGone || page !== null)} onChange={event => set(row.old, { isOn: event.target.checked, gone: false })} /></td>
                                            <td className="max-w-[300px] py-1.5 pr-3"><span className="block truncate font-mono" title={row.old}>{row.address ?? row.old}</span>{(row.title !== '' || row.requests > 0) && <span className="text-[12px] text-ink-3">{[row.title, row.requests > 0 ? count(row.requests, 'request') : ''].filter(part => part !== '').join(', ')}</span>}</td>
                                            <td className="py-1.5 pr-3">
                                                {isGone ? <span className="text-berry">gone, 410</span> : row.held !== null ? <span className="text-ink-3">{row.held === 'page' || row.held === 'also' ? 'is a page’s own' : 'leads on already'}</span> : (
                                                    <>
                                                        <button type="button" onClick={() => setPicking(row.old)} aria-label={`${page?.name ?? 'choose a page'} for ${row.old}`} className="text-left text-heron hover:underline">{page?.name ?? 'choose a page'}</button>
                                                        <span className="block text-[12px] text-ink-3">{chosen[row.old]?.page === undefined ? row.why : 'Chosen by hand.'}{row.next.length > 0 && chosen[row.old]?.page === undefined && <> Or {row.next.map((other, n) => <span key={other.id}>{n > 0 && ', '}<button type="button" className="text-heron hover:underline" onClick={() => set(row.old, { page: other, isOn: true })}>{other.name}</button></span>)}?</>}</span>
                                                    </>
                                                )}
                                            </td>
                                            <td className={`py-1.5 text-right tabular-nums ${row.confidence >= 0.9 ? 'text-reed' : 'text-ink-2'}`}>{Math.round(row.confidence * 100)} %</td>
                                            <td className="py-1.5 pl-3">{free(row) && <label className="flex items-center gap-1 text-[12px] text-ink-2"><input type="checkbox" aria-label={`Say that ${row.old} is gone`} className="accent-heron" checked={isGone} onChange={event => set(row.old, { gone: event.target.checked })} />gone</label>}</td>
                                        </tr>
                                    )
                                })}
                            </tbody>
                        </table>
                    </div>
                </>
            )}
            <PickPage open={picking !== null} title="What it became" onClose={() => setPicking(null)} onPick={page => { if (picking !== null) set(picking, { page, isOn: true, gone: false }); setPicking(null) }} />
        </Modal>
    )
}
