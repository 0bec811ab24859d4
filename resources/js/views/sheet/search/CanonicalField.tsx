import { useState } from 'react'
import { PickPage } from '../../../app/PickPage'
import { Button } from '../../../ui/Button'
import { FieldFrame, inputClasses } from '../../../ui/Field'
import { Select } from '../../../ui/Select'
import type { Appearance } from './draft'

type Kind = 'itself' | 'page' | 'url' | 'none'
type Props = {
    value: string
    shown: Appearance
    /** Why what was typed is not taken. */
    error: string | undefined
    onChange: (canonical: string) => void
}

const kinds: [Kind, string][] = [
    ['itself', 'Itself'],
    ['page', 'Another page'],
    ['url', 'An address elsewhere'],
    ['none', 'None'],
]

const kindOf = (value: string): Kind =>
    value === 'itself' || value === 'none' ? value : /^[0-9A-Z]{26}$/.test(value) ? 'page' : 'url'

/** The address that counts for the page, and what is wrong with it as it is typed. */
export function CanonicalField({ value, shown, error, onChange }: Props) {
    const [choosing, setChoosing] = useState(false)
    const [picked, setPicked] = useState('')
    const kind = kindOf(value)
    const faults = shown.checks.filter(check => check.fix === 'canonical' && check.says !== null)
    const name = picked !== '' ? picked : (shown.own.canonicalName ?? 'a page')
    return (
        <FieldFrame
            label="Canonical"
            hint={
                faults.length > 0 ? (
                    <span className="text-amber">{faults.map(check => check.says).join(' ')}</span>
                ) : (
                    (shown.canonical ?? 'No address is named as the one that counts.')
                )
            }
            error={error}
        >
            {({ id, describedBy }) => (
                <div className="grid gap-1.5">
                    <Select
                        id={id}
                        aria-describedby={describedBy}
                        value={kind}
                        choices={kinds}
                        onChoose={chosen => {
                            if (chosen === 'page') setChoosing(true)
                            else onChange(chosen === 'url' ? 'https://' : chosen)
                        }}
                    />
                    {kind === 'url' && (
                        <input
                            aria-label="Canonical address elsewhere"
                            className={`${inputClasses} font-mono text-[13px]`}
                            value={value}
                            onChange={event => onChange(event.target.value)}
                        />
                    )}
                    {kind === 'page' && (
                        <span className="flex items-center justify-between gap-2">
                            <output className="truncate">{name}</output>
                            <Button onClick={() => setChoosing(true)}>Choose…</Button>
                        </span>
                    )}
                    <PickPage
                        open={choosing}
                        title="The page whose address counts"
                        onClose={() => setChoosing(false)}
                        onPick={page => {
                            setPicked(page.name)
                            onChange(page.id)
                            setChoosing(false)
                        }}
                    />
                </div>
            )}
        </FieldFrame>
    )
}
