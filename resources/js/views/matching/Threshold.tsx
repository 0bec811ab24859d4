import { inputClasses } from '../../ui/Field'

type Props = { value: number; onMove: (value: number) => void; onSettle: (value: number) => void }

/** From which confidence on rows are accepted, in per cent, as a number. */
export function Threshold({ value, onMove, onSettle }: Props) {
    return (
        <label className="flex items-center gap-2 text-ink-2">
            Accept from{' '}
            <input
                type="number"
                min={0}
                max={100}
                value={value}
                onChange={event => onMove(Math.max(0, Math.min(100, Math.round(Number(event.target.value)))))}
                onBlur={() => onSettle(value)}
                aria-label="Accept from"
                className={`${inputClasses} w-18!`}
            />{' '}
            % sure
        </label>
    )
}
