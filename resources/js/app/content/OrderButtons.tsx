import { ArrowDown, ArrowUp, X } from 'lucide-react'
import { IconButton } from '../../ui/IconButton'

type Props<Item> = { list: Item[]; at: number; called: string; onChange: (list: Item[]) => void }

/** Moves an entry of a list up and down, and takes it out. */
export function OrderButtons<Item>({ list, at, called, onChange }: Props<Item>) {
    const move = (by: -1 | 1) => {
        const next = [...list]
        next.splice(at + by, 0, ...next.splice(at, 1))
        onChange(next)
    }
    const name = `${called} ${at + 1}`
    return (
        <>
            <IconButton aria-label={`Move ${name} up`} disabled={at === 0} onClick={() => move(-1)}>
                <ArrowUp size={15} aria-hidden />
            </IconButton>
            <IconButton aria-label={`Move ${name} down`} disabled={at === list.length - 1} onClick={() => move(1)}>
                <ArrowDown size={15} aria-hidden />
            </IconButton>
            <IconButton aria-label={`Remove ${name}`} onClick={() => onChange(list.filter((_, i) => i !== at))}>
                <X size={15} aria-hidden />
            </IconButton>
        </>
    )
}
