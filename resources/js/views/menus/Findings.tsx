import clsx from 'clsx'
import { AlertTriangle } from 'lucide-react'
import type { ReactNode } from 'react'
import type { Schemas } from '../../api/client'
import { Button } from '../../ui/Button'
import { tooWide } from './widths'
import { findingWords } from './labels'

type Props = {
    menu: Schemas['Menu']
    place: Schemas['MenuPlace'] | undefined
    writes: boolean
    /** They come a moment after each step: as high whatever they are. */
    isSteady: boolean
    onEntry: (entry: string) => void
    onLead: (entry: string, page: string) => void
    onOut: (entry: string) => void
}

const mendedByOut = ['leads-nowhere', 'page-hidden', 'target-doubled', 'blank']

/** What is noticed in a menu, each with what mends it. */
export function Findings({ menu, place, writes, isSteady, onEntry, onLead, onOut }: Props) {
    const wide = place === undefined ? [] : tooWide(menu.shown, place.widest)
    const isEmpty = menu.findings.length + wide.length === 0
    if (isEmpty && !isSteady) return null
    return (
        <ul
            aria-label="Findings"
            className={clsx(
                'grid shrink-0 content-start gap-1 overflow-y-auto border-t border-line px-4 py-2.5',
                isSteady ? 'h-[88px]' : 'max-h-[32%]',
            )}
        >
            {isEmpty && <li className="text-ink-3">Nothing found in this menu.</li>}
            {menu.findings.map(({ entry, page, kind, ...finding }, i) => (
                <Finding key={i} description={findingWords({ entry, page, kind, ...finding })}>
                    {entry !== null && <Fix onClick={() => onEntry(entry)}>Look</Fix>}
                    {writes && entry !== null && kind === 'redirect' && page !== null && (
                        <Fix onClick={() => onLead(entry, page)}>Link to the page directly</Fix>
                    )}
                    {writes && entry !== null && mendedByOut.includes(kind) && (
                        <Fix onClick={() => onOut(entry)}>Remove</Fix>
                    )}
                </Finding>
            ))}
            {wide.map(({ entry, label, px }) => (
                <Finding
                    key={entry + label}
                    description={`“${label}” is ${px} px wide; this place has ${place?.widest ?? 0}. Give it a shorter label.`}
                >
                    <Fix onClick={() => onEntry(entry)}>Look</Fix>
                </Finding>
            ))}
        </ul>
    )
}

function Finding({ description, children }: { description: string; children: ReactNode }) {
    return (
        <li className="flex items-center gap-2">
            <AlertTriangle size={14} aria-hidden className="shrink-0 text-amber" />
            <span>{description}</span>
            {children}
        </li>
    )
}

function Fix({ onClick, children }: { onClick: () => void; children: ReactNode }) {
    return (
        <Button variant="quiet" className="h-6! px-1.5! text-[12px]" onClick={onClick}>
            {children}
        </Button>
    )
}
