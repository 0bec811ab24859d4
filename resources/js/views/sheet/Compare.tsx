import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import clsx from 'clsx'
import { useState } from 'react'
import { notify } from '../../app/notify'
import { answered, api, type Schemas } from '../../api/client'
import { keys } from '../../api/queries'
import { mayOn, useSite } from '../../app/site'
import { Button } from '../../ui/Button'
import { Modal } from '../../ui/Modal'
import { Alert } from '../../ui/Alert'
import { DialogActions } from '../../ui/DialogActions'

type Props = {
    sheet: Schemas['PageSheet']
    number: number
    versions: Schemas['Version'][]
    onBrought: () => void
    onClose: () => void
}

/** A version of the content: beside another with what differs marked, or alone; and bringing it back. */
export function Compare({ sheet, number, versions, onBrought, onClose }: Props) {
    const site = useSite()
    const queries = useQueryClient()
    const latest = versions[0]?.number ?? 0
    const before = versions.find(version => version.number < number)?.number ?? null
    const [beside, setBeside] = useState<number | null>(number === latest ? before : latest)
    // The older one on the left, as one reads.
    const [left, right] = beside === null || beside > number ? [number, beside ?? number] : [beside, number]
    const path = { site: site.key, page: sheet.id }
    const { data, error } = useQuery({
        queryKey: [...keys.versions(site.key, sheet.id), left, right],
        queryFn: () =>
            answered(
                api.GET('/sites/{site}/pages/{page}/versions/{left}/against/{right}', {
                    params: { path: { ...path, left, right } },
                }),
            ),
    })
    const bring = useMutation({
        mutationFn: async () => {
            const { document } = await answered(
                api.GET('/sites/{site}/pages/{page}/versions/{number}', { params: { path: { ...path, number } } }),
            )
            return answered(
                api.PUT('/sites/{site}/pages/{page}/content', {
                    params: { path, header: { 'If-Match': String(latest) } },
                    body: { document, note: `Version ${number} brought back` },
                }),
            )
        },
        onSuccess: async words => {
            queries.setQueryData(keys.content(site.key, sheet.id), words)
            notify.success(`Version ${number} is back, as version ${latest + 1}.`)
            onBrought()
            onClose()
            await queries.invalidateQueries({ queryKey: keys.site(site.key) })
        },
    })
    return (
        <Modal
            open
            onClose={onClose}
            title={`Version ${number} of the content of ${sheet.name}`}
            width={beside === null ? 640 : 960}
        >
            {versions.length > 1 && (
                <label className="mb-2 flex items-center gap-2 text-ink-2">
                    Compare with
                    <select
                        value={beside ?? ''}
                        onChange={event => setBeside(event.target.value === '' ? null : Number(event.target.value))}
                        className="h-[30px] rounded-[5px] border border-edge bg-sheet px-2 text-ink"
                    >
                        <option value="">no other version</option>
                        {versions
                            .filter(version => version.number !== number)
                            .map(version => (
                                <option key={version.number} value={version.number}>
                                    version {version.number}
                                    {version.number === latest ? ', the latest' : ''}
                                </option>
                            ))}
                    </select>
                </label>
            )}
            {error !== null && <Alert>{error.message}</Alert>}
            <table className="w-full table-fixed border-collapse">
                <thead>
                    <tr className="text-left text-[12px] text-ink-3">
                        {beside !== null && <th className="pb-1 font-normal">Version {left}</th>}
                        <th className={clsx('pb-1 font-normal', beside !== null && 'pl-6')}>Version {right}</th>
                    </tr>
                </thead>
                <tbody>
                    {data?.map((row, i) => (
                        <tr key={i} className="align-top">
                            {beside !== null && <Side block={row.left} marks="goes" />}
                            <Side block={row.right} marks="comes" className={beside === null ? '' : 'pl-6'} />
                        </tr>
                    ))}
                </tbody>
            </table>
            {data?.length === 0 && <p className="text-ink-3">It says nothing.</p>}
            {beside !== null && data?.every(row => row.kind === 'same') === true && (
                <p className="mt-3 text-ink-2">The text of both is the same; only its formatting may differ.</p>
            )}
            {bring.error !== null && <Alert className="mt-2">{bring.error.message}</Alert>}
            <DialogActions className="mt-5">
                {mayOn(sheet, 'write') && number !== latest && (
                    <Button disabled={bring.isPending} onClick={() => bring.mutate()}>
                        Bring version {number} back
                    </Button>
                )}
                <Button variant="main" onClick={onClose}>
                    Close
                </Button>
            </DialogActions>
        </Modal>
    )
}

function Side({
    block,
    marks,
    className,
}: {
    block: Schemas['ComparedBlock'] | null
    marks: 'comes' | 'goes'
    className?: string
}) {
    const Mark = marks === 'comes' ? 'ins' : 'del'
    return (
        <td className={clsx('border-t border-line py-1.5', className)}>
            {block !== null && (
                <span
                    className={clsx(block.type === 'heading' && 'font-bold', block.type === 'blockquote' && 'italic')}
                >
                    {/List$/.test(block.type) && '• '}
                    {block.pieces.map((piece, i) =>
                        piece.marked ? (
                            <Mark
                                key={i}
                                className={clsx(
                                    'rounded-[3px] px-px',
                                    marks === 'comes'
                                        ? 'bg-reed-soft text-reed no-underline'
                                        : 'bg-berry-soft text-berry',
                                )}
                            >
                                {piece.text}
                            </Mark>
                        ) : (
                            <span key={i}>{piece.text}</span>
                        ),
                    )}
                </span>
            )}
        </td>
    )
}
