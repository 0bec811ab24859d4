import clsx from 'clsx'
import { Check, Minus, X } from 'lucide-react'
import type { Schemas } from '../../api/client'
import type { Says } from './rightCells'

type Props = {
    cell: Schemas['RightCell'] | undefined
    says: Says
    isSet: boolean
    isOpen: boolean
    isMarked: boolean
    isActive: boolean
    isFirstPerson: boolean
    label: string
    spot: string
    onPress: (extend: boolean) => void
    onDoublePress: () => void
}

const words = { allow: 'allowed here', deny: 'denied here' }

/** One right of one role or person: strong where it is said right here, faint where it follows from elsewhere. */
export function RightCell({
    cell,
    says,
    isSet,
    isOpen,
    isMarked,
    isActive,
    isFirstPerson,
    label,
    spot,
    onPress,
    onDoublePress,
}: Props) {
    const may = cell?.may === true
    const said = says !== null ? words[says] : may ? 'yes, from elsewhere' : 'no'
    return (
        <td
            role="gridcell"
            aria-label={`${label}: ${said}${isSet ? ', not saved yet' : ''}`}
            aria-selected={isMarked}
            aria-disabled={!isOpen}
            tabIndex={isActive ? 0 : -1}
            data-cell={spot}
            onMouseDown={event => {
                event.preventDefault()
                onPress(event.shiftKey)
            }}
            onDoubleClick={onDoublePress}
            className={clsx(
                'h-10 border-b border-line text-center outline-none',
                isFirstPerson && 'border-t-2 border-t-edge',
                isMarked ? 'bg-heron-soft' : !isOpen && 'bg-sunk',
                isActive && 'inset-ring-2 inset-ring-heron',
                'cursor-default',
            )}
        >
            <span
                className={clsx(
                    'relative inline-flex size-[26px] items-center justify-center rounded',
                    says === 'allow' && 'bg-heron text-on-heron',
                    says === 'deny' && 'bg-berry text-sheet',
                    says === null && 'text-ink-3',
                )}
            >
                {says === 'allow' || (says === null && may) ? (
                    <Check size={16} strokeWidth={says === null ? 1.7 : 2.6} aria-hidden />
                ) : says === 'deny' ? (
                    <X size={16} strokeWidth={2.6} aria-hidden />
                ) : (
                    <Minus size={12} strokeWidth={1.4} aria-hidden />
                )}
                {isSet && <span className="absolute -top-1 -right-1 size-2 rounded-full bg-amber ring-2 ring-sheet" />}
            </span>
        </td>
    )
}
