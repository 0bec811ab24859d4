import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import clsx from 'clsx'
import { toast } from 'sonner'
import { answered, api, type Schemas } from '../../api/client'
import { keys } from '../../api/queries'
import { useSite } from '../../app/site'
import { Button } from '../../ui/Button'
import { Modal } from '../../ui/Modal'

type Props = { sheet: Schemas['PageSheet']; left: number; right: number; latest: number; onClose: () => void }

/** Two versions of the words side by side, with what differs marked; and bringing the older one back. */
export function Compare({ sheet, left, right, latest, onClose }: Props) {
    const site = useSite()
    const queries = useQueryClient()
    const path = { site: site.key, page: sheet.id }
    const { data, error } = useQuery({ queryKey: [...keys.revisions(site.key, sheet.id), left, right], queryFn: () => answered(api.GET('/sites/{site}/pages/{page}/revisions/{left}/against/{right}', { params: { path: { ...path, left, right } } })) })
    const bring = useMutation({
        mutationFn: async () => {
            const { document } = await answered(api.GET('/sites/{site}/pages/{page}/revisions/{number}', { params: { path: { ...path, number: left } } }))
            return answered(api.PUT('/sites/{site}/pages/{page}/words', { params: { path, header: { 'If-Match': String(latest) } }, body: { document, note: `Version ${left} brought back` } }))
        },
        onSuccess: async () => {
            toast.success(`Version ${left} is back, as version ${latest + 1}.`)
            onClose()
            await queries.invalidateQueries({ queryKey: keys.site(site.key) })
        },
    })
    return (
        <Modal open onClose={onClose} title={`Versions ${left} and ${right} of ${sheet.name}`} width={960}>
            {error !== null && <p role="alert" className="text-berry">{error.message}</p>}
            <table className="w-full table-fixed border-collapse">
                <thead><tr className="text-left text-[12px] text-ink-3"><th className="pb-1 font-normal">Version {left}</th><th className="pb-1 pl-6 font-normal">Version {right}</th></tr></thead>
                <tbody>
                    {data?.map((row, i) => (
                        <tr key={i} className="align-top">
                            <Side block={row.left} marks="goes" />
                            <Side block={row.right} marks="comes" className="pl-6" />
                        </tr>
                    ))}
                </tbody>
            </table>
            {data?.every(row => row.kind === 'same') === true && <p className="mt-3 text-ink-2">The two say the same; only how it is set may differ.</p>}
            {bring.error !== null && <p role="alert" className="mt-2 text-berry">{bring.error.message}</p>}
            <div className="mt-5 flex justify-end gap-2">
                {site.writes && left !== latest && <Button disabled={bring.isPending} onClick={() => bring.mutate()}>Bring version {left} back</Button>}
                <Button look="main" onClick={onClose}>Close</Button>
            </div>
        </Modal>
    )
}

function Side({ block, marks, className }: { block: Schemas['ComparedBlock'] | null; marks: 'comes' | 'goes'; className?: string }) {
    const Mark = marks === 'comes' ? 'ins' : 'del'
    return (
        <td className={clsx('border-t border-line py-1.5', className)}>
            {block !== null && (
                <span className={clsx(block.type === 'heading' && 'font-bold', block.type === 'blockquote' && 'italic')}>
                    {/List$/.test(block.type) && '• '}
                    {block.pieces.map((piece, i) => (piece.marked ? <Mark key={i} className={clsx('rounded-[3px] px-px', marks === 'comes' ? 'bg-reed-soft text-reed no-underline' : 'bg-berry-soft text-berry')}>{piece.text}</Mark> : <span key={i}>{piece.text}</span>))}
                </span>
            )}
        </td>
    )
}
