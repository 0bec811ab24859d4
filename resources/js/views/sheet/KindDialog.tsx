import { useState } from 'react'
import type { Schemas } from '../../api/client'
import { useChanges } from '../../app/changes'
import { leadsTo, type Leads } from '../../app/leadsTo'
import { FileChooser } from '../../app/FileChooser'
import { PageList } from '../../app/PickPage'
import { Button } from '../../ui/Button'
import { inputClasses } from '../../ui/Field'
import { Modal } from '../../ui/Modal'
import { Alert } from '../../ui/Alert'
import { DialogActions } from '../../ui/DialogActions'
import { Choice } from '../../ui/Choice'
import { Select } from '../../ui/Select'

type Kind = Schemas['PageKind']

const kinds: [Kind, string, string][] = [
    ['page', 'Page', 'Content, shown at its address.'],
    ['section', 'Section', 'A group. Its address leads to its first live page.'],
    ['pointer', 'Pointer', 'An entry that leads to another page, an address, a URL or a file.'],
    ['download', 'Download', 'A file with a place in the tree.'],
]
const leads: [Leads, string][] = [
    ['page', 'a page'],
    ['address', 'an address of this site'],
    ['url', 'a URL elsewhere'],
    ['file', 'a file'],
]

/** Makes of a page a page, section, pointer or download. */
export function KindDialog({ sheet, onClose }: { sheet: Schemas['PageSheet']; onClose: () => void }) {
    const { propose } = useChanges()
    const [kind, setKind] = useState<Kind>(sheet.kind)
    const [way, setWay] = useState<Leads>('page')
    const [target, setTarget] = useState<{ value: string; name: string } | null>(null)
    const [refused, setRefused] = useState<string | null>(null)
    const lead = kind === 'download' ? 'file' : way
    const needs = kind === 'pointer' || kind === 'download'
    const change = () => {
        setRefused(null)
        void propose({
            title: `Making ${sheet.name} a ${kind}`,
            act: `Make it a ${kind}`,
            batch: {
                changes: [
                    {
                        kind: 'change-kind',
                        page: sheet.id,
                        to: kind,
                        ...(needs && target !== null ? { leadsTo: leadsTo(lead, target.value) } : {}),
                    },
                ],
            },
            done: onClose,
            failed: problem => setRefused(problem.message),
        })
    }
    return (
        <Modal
            open
            onClose={onClose}
            title={`What kind of page is ${sheet.name}?`}
            description="Its content, place and address stay, whatever kind it is."
            width={560}
        >
            <form
                className="grid gap-3"
                onSubmit={event => {
                    event.preventDefault()
                    change()
                }}
            >
                <div className="grid gap-1.5">
                    {kinds.map(([value, label, description]) => (
                        <Choice
                            key={value}
                            type="radio"
                            name="kind"
                            className="items-baseline!"
                            checked={kind === value}
                            onChange={() => {
                                setKind(value)
                                setTarget(null)
                            }}
                        >
                            <span>
                                <b className="font-semibold">{label}</b>{' '}
                                <span className="text-ink-2">{description}</span>
                            </span>
                        </Choice>
                    ))}
                </div>
                {kind === 'pointer' && (
                    <label className="flex items-center gap-2">
                        It leads to{' '}
                        <Select
                            className="w-auto!"
                            value={way}
                            choices={leads}
                            onChoose={chosen => {
                                setWay(chosen)
                                setTarget(null)
                            }}
                        />
                    </label>
                )}
                {needs && lead === 'page' && (
                    <PageList
                        without={sheet.id}
                        chosen={target?.value ?? null}
                        onPick={page => setTarget({ value: page.id, name: page.name })}
                    />
                )}
                {needs && (lead === 'url' || lead === 'address') && (
                    <input
                        aria-label={lead === 'url' ? 'URL' : 'Address'}
                        placeholder={lead === 'url' ? 'https://' : '/'}
                        value={target?.value ?? ''}
                        onChange={event => setTarget({ value: event.target.value, name: event.target.value })}
                        className={`${inputClasses} font-mono text-[13px]`}
                    />
                )}
                {needs && lead === 'file' && (
                    <FileChooser
                        chosen={target === null ? null : { id: target.value, name: target.name }}
                        onFile={file => setTarget({ value: file.id, name: file.name })}
                    />
                )}
                {refused !== null && <Alert>{refused}</Alert>}
                <DialogActions>
                    <Button onClick={onClose}>Cancel</Button>
                    <Button
                        type="submit"
                        variant="main"
                        disabled={needs ? target === null || target.value === '' : kind === sheet.kind}
                    >
                        Make it a {kind}
                    </Button>
                </DialogActions>
            </form>
        </Modal>
    )
}
