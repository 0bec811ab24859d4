import { useQuery } from '@tanstack/react-query'
import clsx from 'clsx'
import { Plus } from 'lucide-react'
import { useState } from 'react'
import { redirectFindingsQuery } from '../../api/queries'
import { useSite } from '../../app/site'
import { Button } from '../../ui/Button'
import { count } from '../../ui/count'
import { useDebounced } from '../../ui/useDebounced'
import { AddressList } from './AddressList'
import { AddressPanel } from './AddressPanel'
import { AddressTree } from './AddressTree'
import { BringIn } from './BringIn'
import { FilesMenu } from './FilesMenu'
import { Findings } from './Findings'
import { MatchOld } from './MatchOld'
import { NewRedirect } from './NewRedirect'
import { RedirectPanel } from './RedirectPanel'
import type { Search, SetSearch } from './search'
import { TryAddresses } from './TryAddresses'
import { useAddresses } from './useAddresses'
import { key, kinds } from './words'

const states: [string, string][] = [['off', 'Off'], ['waiting', 'Not yet'], ['over', 'Over'], ['front', 'In front']]

/** Every address the site answers or ever answered, in one place. */
export function AddressesView({ search, set, onPage }: { search: Search; set: SetSearch; onPage: (page: string) => void }) {
    const site = useSite()
    const filter = { text: useDebounced(search.text, 100), kind: search.kind, status: search.status, hits: search.hits }
    const addresses = useAddresses(site.key, filter)
    const { rows, counts } = addresses
    const [making, setMaking] = useState<{ source: string; target?: { id: string; name: string } | undefined } | null>(null)
    const [isMatching, match] = useState(false)
    const [isBringing, bring] = useState(false)
    const [isLooking, look] = useState(false)
    const { data: findings } = useQuery(redirectFindingsQuery(site.key))
    const [trying, setTrying] = useState<string | null>(null)
    const open = rows.find(row => key(row) === search.row)
    const isRedirect = search.row !== undefined && !search.row.includes(' ')
    const narrow = search.row !== undefined
    const all = Object.values(counts).reduce((sum, each) => sum + each, 0)
    const turned = (list: string | undefined, value: string) => { const now = (list ?? '').split(',').filter(each => each !== ''); const next = now.includes(value) ? now.filter(each => each !== value) : [...now, value]; return next.length === 0 ? undefined : next.join(',') }
    const chip = (isOn: boolean) => clsx('h-7 rounded-full border px-2.5 text-[13px]', isOn ? 'border-heron bg-heron-soft font-semibold text-heron' : 'border-line text-ink-2 hover:bg-sunk')
    return (
        <main className="flex h-full min-h-0 min-w-0">
            <div className="flex min-w-0 flex-1 flex-col">
                <div className="flex min-h-14 flex-wrap items-center gap-x-4 gap-y-2 px-4 py-2">
                    <h1 className="text-[20px] leading-6 font-bold tracking-[-0.01em]">Addresses</h1>
                    {!narrow && <p className="text-ink-2"><b className="font-semibold text-ink">{all.toLocaleString('en-GB')}</b> known</p>}
                    <span className="ml-auto flex items-center gap-2">
                        <div role="group" aria-label="Shown as" className="flex"><Button look="quiet" aria-pressed={search.as === undefined} className={search.as === undefined ? 'text-heron' : 'text-ink-3'} onClick={() => set({ as: undefined })}>List</Button><Button look="quiet" aria-pressed={search.as === 'tree'} className={search.as === 'tree' ? 'text-heron' : 'text-ink-3'} onClick={() => set({ as: 'tree', row: undefined })}>Tree</Button></div>
                        {findings !== undefined && findings.length > 0 && <Button look="quiet" className="text-amber!" onClick={() => look(true)}>{count(findings.length, 'finding')}</Button>}
                        <FilesMenu onBring={() => bring(true)} onMatch={() => match(true)} />
                        <Button onClick={() => setTrying('')}>Try addresses</Button>
                        {site.manages && <Button look="main" onClick={() => setMaking({ source: '' })}><Plus size={15} aria-hidden />New redirect</Button>}
                    </span>
                </div>
                {search.as === undefined && (
                    <div className="flex flex-wrap items-center gap-1.5 border-b border-line px-4 pb-2.5">
                        <input aria-label="Filter addresses" placeholder="Address, note or name" value={search.text ?? ''} onChange={event => set({ text: event.target.value === '' ? undefined : event.target.value })} className="mr-2 h-7 w-[188px] border-b border-edge bg-transparent outline-none focus:border-heron" />
                        {kinds.filter(([kind]) => (counts[kind] ?? 0) > 0 || search.kind?.split(',').includes(kind)).map(([kind, word]) => <button key={kind} type="button" aria-pressed={search.kind?.split(',').includes(kind) === true} onClick={() => set({ kind: turned(search.kind, kind), row: undefined })} className={chip(search.kind?.split(',').includes(kind) === true)}>{word} <span className="tabular-nums text-ink-3">{counts[kind] ?? 0}</span></button>)}
                        <span aria-hidden className="mx-1 h-4 w-px bg-line" />
                        {states.map(([state, word]) => <button key={state} type="button" aria-pressed={search.status === state} onClick={() => set({ status: search.status === state ? undefined : state, row: undefined })} className={chip(search.status === state)}>{word}</button>)}
                        <button type="button" aria-pressed={search.hits === 'never'} onClick={() => set({ hits: search.hits === 'never' ? undefined : 'never', row: undefined })} className={chip(search.hits === 'never')}>Never hit</button>
                    </div>
                )}
                {search.as === 'tree' ? <AddressTree onAddress={address => set({ as: undefined, text: address, kind: undefined, row: undefined })} /> : <AddressList addresses={addresses} active={search.row} narrow={narrow} onActive={row => set({ row: key(row) })} />}
            </div>
            {isRedirect && search.row !== undefined && <RedirectPanel key={search.row} id={search.row} row={open} onClose={() => set({ row: undefined })} onPage={onPage} onGone={() => set({ row: undefined })} />}
            {!isRedirect && open !== undefined && <AddressPanel key={search.row} row={open} onClose={() => set({ row: undefined })} onPage={onPage} onTry={setTrying} onRedirect={(source, target) => setMaking({ source, target })} onMade={id => set({ row: id })} />}
            {making !== null && <NewRedirect source={making.source} target={making.target} onClose={() => setMaking(null)} onMade={id => set({ row: id })} />}
            {isMatching && <MatchOld onClose={() => match(false)} />}
            {isBringing && <BringIn onClose={() => bring(false)} />}
            {isLooking && <Findings onClose={() => look(false)} onRedirect={id => set({ row: id, kind: undefined, text: undefined, status: undefined, hits: undefined, as: undefined })} />}
            {trying !== null && <TryAddresses first={trying} onClose={() => setTrying(null)} />}
        </main>
    )
}
