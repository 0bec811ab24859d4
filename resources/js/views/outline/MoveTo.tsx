import { useQuery } from '@tanstack/react-query'
import { Command } from 'cmdk'
import { useState } from 'react'
import { goToQuery } from '../../api/queries'
import { useChanges } from '../../app/changes'
import { useSite } from '../../app/site'
import { TreePicker } from '../../app/TreePicker'
import { useAddressAnswer } from '../../app/useAddressAnswer'
import { readable } from '../../ui/Address'
import { Button } from '../../ui/Button'
import { Modal } from '../../ui/Modal'
import { useDebounced } from '../../ui/useDebounced'
import type { Row } from './rows'
import type { Spot } from './place'

/** Moves a page by choosing where, for those who would rather not drag. */
export function MoveTo({ row, onClose }: { row: Row | undefined; onClose: () => void }) {
    const page = row?.kind === 'page' ? row.page : null
    return (
        <Modal open={page !== null} onClose={onClose} title={`Move ${page?.name ?? ''}`} width={520}>
            {page !== null && <Chooser page={{ id: page.id, name: page.name }} onClose={onClose} />}
        </Modal>
    )
}

const spots: [Spot, string][] = [['inside', 'Inside'], ['before', 'Before'], ['after', 'After']]

function Chooser({ page, onClose }: { page: { id: string; name: string }; onClose: () => void }) {
    const site = useSite()
    const { propose } = useChanges()
    const [text, setText] = useState('')
    const [chosen, choose] = useState<{ id: string; name: string } | null>(null)
    const [spot, setSpot] = useState<Spot>('inside')
    const asked = useDebounced(text.trim(), 80)
    const { data: hits = [] } = useQuery({ ...goToQuery(site.key, asked), enabled: asked !== '' })
    const place = chosen === null ? null : chosen.id === 'top' ? { last: null } : spot === 'inside' ? { last: chosen.id } : { [spot]: chosen.id }
    const answer = useAddressAnswer(place === null ? null : { kind: 'move', page: page.id, place })
    const move = () => {
        if (place === null || chosen === null) return
        onClose()
        void propose({ title: `Moving ${page.name} ${chosen.id === 'top' ? 'to the top' : `${spot} ${chosen.name}`}`, act: 'Move', batch: { changes: [{ kind: 'move', page: page.id, place }] } })
    }
    return (
        <div className="grid gap-3">
            <Command shouldFilter={false} label="Where to" className="rounded-md border border-edge">
                <Command.Input value={text} onValueChange={now => { setText(now); choose(null) }} autoFocus placeholder="Find the page to go to" className="h-9 w-full border-b border-line bg-transparent px-3 outline-none" />
                <Command.List className="max-h-[260px] min-h-[44px] overflow-y-auto p-1">
                    <Command.Item value="top" onSelect={() => choose({ id: 'top', name: 'the top' })} className="flex cursor-pointer rounded px-2.5 py-1.5 data-[selected=true]:bg-heron-soft">To the top of the tree{chosen?.id === 'top' && <b className="ml-auto text-[12px] text-heron">chosen</b>}</Command.Item>
                    {asked === '' && <TreePicker site={site.key} without={page.id} chosen={chosen?.id ?? null} onPick={choose} />}
                    {hits.filter(hit => hit.id !== page.id).map(hit => (
                        <Command.Item key={hit.id} value={hit.id} onSelect={() => choose({ id: hit.id, name: hit.name })} className="flex cursor-pointer items-baseline gap-2 rounded px-2.5 py-1.5 data-[selected=true]:bg-heron-soft">
                            <b className="font-semibold">{hit.name}</b> <span className="truncate font-mono text-[12px] text-ink-3">{readable(hit.address)}</span>{chosen?.id === hit.id && <b className="ml-auto text-[12px] text-heron">chosen</b>}
                        </Command.Item>
                    ))}
                </Command.List>
            </Command>
            <fieldset className="flex gap-4" disabled={chosen === null || chosen.id === 'top'}>
                <legend className="sr-only">Where exactly</legend>
                {spots.map(([value, word]) => <label key={value} className="flex items-center gap-1.5"><input type="radio" name="spot" checked={spot === value} onChange={() => setSpot(value)} className="accent-heron" />{word}</label>)}
            </fieldset>
            <p role="status" className="min-h-5 text-ink-2">{chosen === null ? 'Choose a page.' : answer === undefined ? '' : (answer.error ?? <>It will be at <span className="font-mono text-[13px]">{readable(answer.address ?? '')}</span>{answer.conflict === null ? '' : ', which is taken: you decide next'}</>)}</p>
            <div className="flex justify-end gap-2"><Button onClick={onClose}>Let it be</Button><Button look="main" disabled={chosen === null || (answer?.error ?? null) !== null} onClick={move}>Move</Button></div>
        </div>
    )
}
