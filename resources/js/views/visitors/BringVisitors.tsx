import { useState } from 'react'
import { answered, api, type Schemas } from '../../api/client'
import { notify } from '../../app/notify'
import { useSite } from '../../app/site'
import { Button } from '../../ui/Button'
import { count } from '../../ui/count'
import { DialogActions } from '../../ui/DialogActions'
import { fileLook, inputClasses } from '../../ui/Field'
import { Modal } from '../../ui/Modal'
import { Muted } from '../../ui/Muted'
import { useVisitorChange } from './queries'

type Row = Schemas['VisitorTable']['rows'][number]

const does: Record<Row['does'], string> = {
    makes: 'is added and invited',
    changes: 'changes',
    stays: 'stays as it is',
    nothing: '',
}

/** A table of visitors: given, looked at line by line, and brought in in one step. */
export function BringVisitors({ onClose }: { onClose: () => void }) {
    const site = useSite()
    const [text, setText] = useState('')
    const [rows, setRows] = useState<Row[] | null>(null)
    const [links, setLinks] = useState<string[]>([])
    const given = { params: { path: { site: site.key } }, body: { file: text } }
    const read = useVisitorChange(
        site.key,
        () => answered(api.POST('/sites/{site}/visitors-read', given)),
        made => setRows(made.rows),
    )
    const bring = useVisitorChange(
        site.key,
        () => answered(api.POST('/sites/{site}/visitors-import', given)),
        done => {
            notify.success(`${count(done.made, 'visitor')} added, ${done.changed} changed.`)
            if (done.links.length === 0) onClose()
            setLinks(done.links)
        },
    )
    const changes = (rows ?? []).filter(row => row.does === 'makes' || row.does === 'changes').length
    const faults = (rows ?? []).filter(row => row.fault !== null).length
    const error = read.error ?? bring.error
    if (links.length > 0)
        return (
            <Modal open alert onClose={onClose} title="Give these links to them" width={640}>
                <Muted>This installation sends no mail. Each link sets the password of one account.</Muted>
                <textarea
                    readOnly
                    aria-label="Links"
                    rows={8}
                    value={links.join('\n')}
                    className={`${inputClasses} mt-2 h-auto! font-mono text-[12px]`}
                />
                <DialogActions className="mt-4">
                    <Button variant="main" onClick={onClose}>
                        Done
                    </Button>
                </DialogActions>
            </Modal>
        )
    return (
        <Modal open onClose={onClose} title="Import a table of visitors" width={640}>
            <div className="grid gap-3">
                <Muted>
                    Columns: mail, name, and roles with semicolons between. Whoever is there already is found by the
                    mail address.
                </Muted>
                <input
                    type="file"
                    aria-label="Table"
                    accept=".csv,text/csv,text/plain"
                    className={fileLook}
                    onChange={event => {
                        setRows(null)
                        void event.target.files?.[0]?.text().then(setText)
                    }}
                />
                <textarea
                    aria-label="Lines"
                    rows={4}
                    spellCheck={false}
                    value={text}
                    placeholder={'mail,name,roles\nfinlay@skerrivane.example,Finlay Orran,crew'}
                    className={`${inputClasses} h-auto! font-mono text-[13px]`}
                    onChange={event => {
                        setRows(null)
                        setText(event.target.value)
                    }}
                />
                {rows !== null && (
                    <div className="max-h-[260px] overflow-y-auto border-y border-line">
                        <table className="w-full">
                            <tbody>
                                {rows.map(row => (
                                    <tr key={row.line} className="border-b border-line [&>td]:py-1 [&>td]:pr-3">
                                        <td className="text-ink-3">{row.line}</td>
                                        <td className="font-semibold">{row.name || row.mail}</td>
                                        <td className="text-ink-2">{row.roles.join(', ')}</td>
                                        <td className={row.fault === null ? 'text-ink-2' : 'text-berry'}>
                                            {row.fault ?? does[row.does]}
                                        </td>
                                    </tr>
                                ))}
                            </tbody>
                        </table>
                    </div>
                )}
                {error !== null && (
                    <p role="alert" className="text-berry">
                        {error.message}
                    </p>
                )}
                <DialogActions>
                    {faults > 0 && (
                        <span className="mr-auto text-[13px] text-berry">
                            {count(faults, 'line is', 'lines are')} left out.
                        </span>
                    )}
                    <Button onClick={onClose}>Cancel</Button>
                    {rows === null ? (
                        <Button
                            variant="main"
                            disabled={text.trim() === '' || read.isPending}
                            onClick={() => read.mutate(undefined)}
                        >
                            Review it
                        </Button>
                    ) : (
                        <Button
                            variant="main"
                            disabled={changes === 0 || bring.isPending}
                            onClick={() => bring.mutate(undefined)}
                        >
                            {changes === 0 ? 'Nothing to import' : `Import ${changes}`}
                        </Button>
                    )}
                </DialogActions>
            </div>
        </Modal>
    )
}
