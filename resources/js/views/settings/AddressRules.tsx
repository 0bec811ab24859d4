import { useState } from 'react'
import type { Schemas } from '../../api/client'
import { useChanges } from '../../app/changes'
import { Alert } from '../../ui/Alert'
import { Button } from '../../ui/Button'
import { Choice } from '../../ui/Choice'
import { DialogActions } from '../../ui/DialogActions'
import { Field } from '../../ui/Field'
import { Modal } from '../../ui/Modal'

type Rules = Schemas['SiteSettings']['rules']
type End = 'nothing' | 'slash' | 'suffix'

const ends: [End, string, string][] = [
    ['nothing', 'Nothing', '/travel/fares'],
    ['slash', 'A slash', '/travel/fares/'],
    ['suffix', 'An ending', '/travel/fares.html'],
]
const endOf = (rules: Rules): End =>
    rules.suffix !== '' ? 'suffix' : rules.trailingSlash === 'always' ? 'slash' : 'nothing'

/** How the addresses of the site are written. What would follow is seen before anything is changed. */
export function AddressRules({ rules, onClose }: { rules: Rules; onClose: () => void }) {
    const { propose } = useChanges()
    const [end, setEnd] = useState(endOf(rules))
    const [suffix, setSuffix] = useState(rules.suffix || '.html')
    const [caseSensitive, setCaseSensitive] = useState(rules.caseSensitive)
    const [nativeLetters, setNativeLetters] = useState(rules.nativeLetters)
    const [refused, setRefused] = useState<string | null>(null)
    const wanted = {
        trailingSlash: end === 'slash' ? ('always' as const) : ('never' as const),
        suffix: end === 'suffix' ? suffix.trim() : '',
        caseSensitive,
        nativeLetters,
    }
    const changed = (Object.keys(wanted) as (keyof typeof wanted)[]).filter(each => wanted[each] !== rules[each])
    const show = () => {
        setRefused(null)
        void propose({
            title: 'Changing how addresses are written',
            act: 'Change the addresses',
            batch: {
                changes: [
                    { kind: 'set-address-rules', ...Object.fromEntries(changed.map(each => [each, wanted[each]])) },
                ],
            },
            always: true,
            failed: problem => setRefused(problem.problem.errors?.[0]?.reason ?? problem.message),
        })
    }
    return (
        <Modal open onClose={onClose} title="How addresses are written" width={520}>
            <form
                className="grid gap-4"
                onSubmit={event => {
                    event.preventDefault()
                    show()
                }}
            >
                <fieldset className="grid gap-1.5">
                    <legend className="mb-1 font-semibold">At the end of every address</legend>
                    {ends.map(([each, label, sample]) => (
                        <Choice key={each} type="radio" name="end" checked={end === each} onChange={() => setEnd(each)}>
                            {label} <span className="ml-1 font-mono text-[13px] text-ink-3">{sample}</span>
                        </Choice>
                    ))}
                </fieldset>
                {end === 'suffix' && (
                    <Field
                        label="Ending"
                        hint="A dot and up to eight letters or digits."
                        value={suffix}
                        onChange={event => setSuffix(event.target.value)}
                    />
                )}
                <fieldset className="grid gap-1.5">
                    <legend className="mb-1 font-semibold">Letters</legend>
                    <Choice
                        type="checkbox"
                        checked={caseSensitive}
                        onChange={event => setCaseSensitive(event.target.checked)}
                    >
                        Capitals make another address: /Fares is not /fares
                    </Choice>
                    <Choice
                        type="checkbox"
                        checked={nativeLetters}
                        onChange={event => setNativeLetters(event.target.checked)}
                    >
                        Addresses made from names keep letters such as å and ж
                    </Choice>
                </fieldset>
                <p className="text-[13px] leading-5 text-ink-3">
                    Every address that answers now goes on answering: visitors are sent to the new one in one step.
                    Links written as addresses are listed before you decide.
                </p>
                {refused !== null && <Alert className="text-[13px] leading-5 font-semibold">{refused}</Alert>}
                <DialogActions>
                    <Button onClick={onClose}>Cancel</Button>
                    <Button type="submit" variant="main" disabled={changed.length === 0}>
                        Review the change
                    </Button>
                </DialogActions>
            </form>
        </Modal>
    )
}
