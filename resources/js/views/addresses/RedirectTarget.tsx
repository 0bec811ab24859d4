import { useState } from 'react'
import { FileDialog } from '../../app/FileChooser'
import type { Leads } from '../../app/leadsTo'
import { PickPage } from '../../app/PickPage'
import { Button } from '../../ui/Button'
import { FieldFrame, inputClasses } from '../../ui/Field'
import { Select } from '../../ui/Select'
import type { Draft } from './draft'

type Target = Pick<Draft, 'way' | 'value' | 'valueName'>

const ways: [Leads, string][] = [
    ['page', 'a page'],
    ['address', 'an address'],
    ['url', 'elsewhere'],
    ['file', 'a file'],
]

/** Where a redirect leads: a page or a file that is chosen, an address or a URL that is typed. */
export function RedirectTarget({
    target: { way, value, valueName },
    error,
    onTarget,
}: {
    target: Target
    error: string | undefined
    onTarget: (target: Partial<Target>) => void
}) {
    const [choosing, setChoosing] = useState(false)
    const isChosen = way === 'page' || way === 'file'
    const take = ({ id, name }: { id: string; name: string }) => {
        onTarget({ value: id, valueName: name })
        setChoosing(false)
    }
    return (
        <>
            <FieldFrame stacked label="Leads to" error={error}>
                {({ id, describedBy }) => (
                    <div className="grid grid-cols-[118px_1fr] gap-2">
                        <Select
                            aria-label="Kind of target"
                            value={way}
                            choices={ways}
                            onChoose={chosen => onTarget({ way: chosen, value: '', valueName: '' })}
                        />
                        {isChosen ? (
                            <span className="flex min-w-0 items-center justify-between gap-2">
                                <output id={id} className={value === '' ? 'truncate text-ink-3' : 'truncate'}>
                                    {value === '' ? 'none chosen' : valueName === '' ? 'chosen' : valueName}
                                </output>
                                <Button onClick={() => setChoosing(true)}>Choose…</Button>
                            </span>
                        ) : (
                            <input
                                id={id}
                                aria-label="Target"
                                aria-describedby={describedBy}
                                aria-invalid={error !== undefined}
                                className={`${inputClasses} font-mono text-[13px]`}
                                placeholder={way === 'url' ? 'https://' : '/'}
                                value={value}
                                onChange={event => onTarget({ value: event.target.value })}
                            />
                        )}
                    </div>
                )}
            </FieldFrame>
            <PickPage
                open={choosing && way === 'page'}
                title="Where it leads"
                onClose={() => setChoosing(false)}
                onPick={take}
            />
            {choosing && way === 'file' && (
                <FileDialog title="Where it leads" onClose={() => setChoosing(false)} onFile={take} />
            )}
        </>
    )
}
