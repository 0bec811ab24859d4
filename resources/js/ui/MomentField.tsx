import clsx from 'clsx'
import { CalendarDays } from 'lucide-react'
import { Popover } from 'radix-ui'
import { useState, type ReactNode } from 'react'
import { FieldFrame, inputClasses } from './Field'
import { lazily } from './lazily'
import { writtenIn } from './time'
import { read, written, type MomentKind } from './typedMoment'

const Calendar = lazily(() => import('./Calendar').then(module => module.Calendar), <div className="size-[248px]" />)

type InputProps = {
    value: string
    onChange: (value: string) => void
    kind?: MomentKind
    disabled?: boolean | undefined
    /** Says that what stands in the field is no date. */
    onBad?: (isBad: boolean) => void
    id?: string
    label?: string
    describedBy?: string
    isInvalid?: boolean
    autoFocus?: boolean
    className?: string
}

/** A date, or a date with a time, typed in whatever way or chosen from a calendar; written as the site's language has it. */
export function MomentInput({
    value,
    onChange,
    kind = 'minute',
    disabled,
    onBad,
    id,
    label,
    describedBy,
    isInvalid,
    autoFocus,
    className,
}: InputProps) {
    const language = writtenIn()
    const [typed, setTyped] = useState<string | null>(null)
    const [isOpen, setOpen] = useState(false)
    const today = new Date().toLocaleDateString('sv-SE')
    const example = written(kind === 'day' ? today : `${today}T09:00`, kind, language)
    const said = (text: string) => {
        const meant = text.trim() === '' ? '' : read(text, kind, language, today)
        onBad?.(meant === null)
        if (meant !== null && meant !== value) onChange(meant)
        return meant !== null
    }
    return (
        <span className={clsx('relative flex', className)}>
            <input
                id={id}
                aria-label={label}
                aria-describedby={describedBy}
                aria-invalid={isInvalid}
                autoFocus={autoFocus}
                disabled={disabled}
                inputMode="text"
                autoComplete="off"
                placeholder={`e.g. ${example}`}
                value={typed ?? written(value, kind, language)}
                onChange={event => {
                    setTyped(event.target.value)
                    said(event.target.value)
                }}
                onBlur={() => {
                    // What was understood is written out; what was not stays to be mended.
                    if (typed !== null && said(typed)) setTyped(null)
                }}
                className={clsx(inputClasses, 'pr-8', isInvalid === true && 'border-berry')}
            />
            <Popover.Root open={isOpen} onOpenChange={setOpen}>
                <Popover.Trigger
                    aria-label={label === undefined ? 'Calendar' : `Calendar: ${label}`}
                    disabled={disabled}
                    className="absolute top-px right-px grid size-[28px] place-items-center rounded text-ink-3 hover:text-ink disabled:hidden"
                >
                    <CalendarDays size={15} aria-hidden />
                </Popover.Trigger>
                <Popover.Portal>
                    <Popover.Content
                        align="end"
                        sideOffset={4}
                        collisionPadding={8}
                        className="z-50 rounded-md bg-sheet p-2 shadow-float"
                    >
                        <Calendar
                            day={value.slice(0, 10)}
                            language={language}
                            onDay={day => {
                                setTyped(null)
                                onBad?.(false)
                                onChange(kind === 'day' ? day : `${day}T${value.slice(11, 16) || '00:00'}`)
                                setOpen(false)
                            }}
                        />
                    </Popover.Content>
                </Popover.Portal>
            </Popover.Root>
        </span>
    )
}

type Props = Omit<InputProps, 'id' | 'label' | 'describedBy' | 'isInvalid' | 'onBad'> & {
    label: string
    hint?: ReactNode
    error?: string | undefined
    stacked?: boolean
}

export function MomentField({ label, hint, error, stacked, ...input }: Props) {
    const [isBad, setBad] = useState(false)
    const example = written(
        input.kind === 'day' ? '2027-05-03' : '2027-05-03T06:00',
        input.kind ?? 'minute',
        writtenIn(),
    )
    const wrong = isBad ? `Write it like ${example}, or choose a day.` : error
    return (
        <FieldFrame label={label} hint={hint} error={wrong} stacked={stacked ?? false}>
            {({ id, describedBy }) => (
                <MomentInput
                    {...input}
                    id={id}
                    describedBy={describedBy}
                    isInvalid={wrong !== undefined}
                    onBad={setBad}
                />
            )}
        </FieldFrame>
    )
}
