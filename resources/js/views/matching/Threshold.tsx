import { useState } from 'react'
import { inputClasses } from '../../ui/Field'

type Props = { value: number; onMove: (value: number) => void; onSettle: (value: number) => void }

/** From which confidence on rows are accepted, in per cent, as a number. */
export function Threshold({ value, onMove, onSettle }: Props) {
    // What is being typed is no number at every moment.
    const [typed, setTyped] = useState<string | null>(null)
    const settle = () => {
        setTyped(null)
        onSettle(value)
    }
    return (
        <label className="flex items-center gap-2 text-ink-2">
            Accept from{' '}
            <input
                inputMode="numeric"
                value={typed ?? value}
                onChange={event => {
                    setTyped(event.target.value)
                    const number = Number(event.target.value)
                    if (/^\s*\d{1,3}\s*$/.test(event.target.value) && number <= 100) onMove(number)
                }}
                onBlur={settle}
                onKeyDown={event => event.key === 'Enter' && settle()}
                aria-label="Accept from"
                className={`${inputClasses} w-18!`}
            />{' '}
            % sure
        </label>
    )
}
