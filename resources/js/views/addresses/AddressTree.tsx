import { useQuery } from '@tanstack/react-query'
import { ChevronDown, ChevronRight } from 'lucide-react'
import { useState } from 'react'
import { belowQuery } from '../../api/addressQueries'
import { useSite } from '../../app/site'
import { kindWords, type Kind } from './labels'
import { ReadFailure } from '../../ui/ReadFailure'

/** The addresses by their segments, opened one below the other. */
export function AddressTree({ onAddress }: { onAddress: (address: string) => void }) {
    return (
        <div role="tree" aria-label="Addresses by segment" className="min-h-0 flex-1 overflow-y-auto py-1">
            <Segments below="" level={1} onAddress={onAddress} />
        </div>
    )
}

function Segments({ below, level, onAddress }: { below: string; level: number; onAddress: (address: string) => void }) {
    const site = useSite()
    const segments = useQuery(belowQuery(site.key, below === '' ? '/' : below))
    return (
        <>
            <ReadFailure of={segments} />
            {segments.data?.map(each => (
                <Segment key={each.segment} each={each} below={below} level={level} onAddress={onAddress} />
            ))}
        </>
    )
}

function Segment({
    each,
    below,
    level,
    onAddress,
}: {
    each: { segment: string; below: number; here: string | null }
    below: string
    level: number
    onAddress: (address: string) => void
}) {
    const [isOpen, setOpen] = useState(false)
    const address = `${below}/${each.segment}`
    const Fold = isOpen ? ChevronDown : ChevronRight
    return (
        <div role="treeitem" aria-level={level} aria-expanded={each.below > 0 ? isOpen : undefined}>
            <div
                className="flex h-8 items-center gap-1.5 px-4 hover:bg-sunk"
                style={{ paddingLeft: 16 + (level - 1) * 22 }}
            >
                {each.below > 0 ? (
                    <button
                        type="button"
                        aria-label={`${isOpen ? 'Close' : 'Open'} ${address}`}
                        onClick={() => setOpen(!isOpen)}
                        className="grid size-5 place-items-center text-ink-3"
                    >
                        <Fold size={13} strokeWidth={2.4} aria-hidden />
                    </button>
                ) : (
                    <span className="w-5" />
                )}
                <button
                    type="button"
                    onClick={() => onAddress(address)}
                    className="truncate font-mono text-[13px] hover:underline"
                >
                    <span className="text-ink-3">/</span>
                    <b className="font-semibold">{each.segment}</b>
                </button>
                <span className="text-[12px] text-ink-3">
                    {each.here === null ? 'nothing itself' : kindWords[each.here as Kind]}
                    {each.below > 0 && ` · ${each.below.toLocaleString('en-GB')} below`}
                </span>
            </div>
            {isOpen && (
                <div role="group">
                    <Segments below={address} level={level + 1} onAddress={onAddress} />
                </div>
            )}
        </div>
    )
}
