import { useState } from 'react'
import { useSite } from '../../app/site'
import { FieldFrame } from '../../ui/Field'
import { MomentInput } from '../../ui/MomentField'
import { Select } from '../../ui/Select'
import { fieldMoment, moment } from '../../ui/time'

type Span = '' | 'week' | 'month' | 'day'

const spans: [Span, string][] = [
    ['', 'for good'],
    ['week', 'for a week'],
    ['month', 'for a month'],
    ['day', 'until a day …'],
]

type Props = {
    until: string | null
    /** Whether browsers are told that it is for good. */
    isPermanent: boolean
    error: string | undefined
    onUntil: (until: string | null) => void
}

/** For how long a redirect holds: to the end of a day on the clock of the site. */
export function RedirectSpan({ until, isPermanent, error, onUntil }: Props) {
    const site = useSite()
    const [chosen, choose] = useState<Span | null>(null)
    const [isBad, setBad] = useState(false)
    const span = chosen ?? (until === null ? '' : 'day')
    const value = fieldMoment(until, site.zone)
    return (
        <FieldFrame
            stacked
            label="How long"
            error={isBad ? 'Write the day like 3 May 2027, or choose one.' : error}
            hint={
                until === null
                    ? undefined
                    : [
                          span === 'day' ? '' : `Until ${moment(`${value}:00Z`, 'UTC')}.`,
                          isPermanent
                              ? 'Browsers may remember a permanent redirect longer: choose a temporary one (302).'
                              : '',
                      ]
                          .join(' ')
                          .trim() || undefined
            }
        >
            {({ id, describedBy }) => (
                <span className="flex gap-2">
                    <Select
                        id={id}
                        aria-describedby={describedBy}
                        className="w-auto!"
                        value={span}
                        choices={spans}
                        onChoose={now => {
                            choose(now)
                            setBad(false)
                            if (now !== 'day') onUntil(now === '' ? null : endOf(now, site.zone))
                        }}
                    />
                    {span === 'day' && (
                        <MomentInput
                            label="Until"
                            className="grow"
                            value={value}
                            onBad={setBad}
                            onChange={now =>
                                // A day alone is meant whole.
                                onUntil(now === '' ? null : now.endsWith('T00:00') ? `${now.slice(0, 10)}T23:59` : now)
                            }
                        />
                    )}
                </span>
            )}
        </FieldFrame>
    )
}

/** The end of the day a week or a month from now. */
function endOf(span: 'week' | 'month', zone: string) {
    const today = new Date().toLocaleDateString('sv-SE', { timeZone: zone })
    const then = new Date(`${today}T00:00:00Z`)
    if (span === 'week') then.setUTCDate(then.getUTCDate() + 7)
    else {
        const day = then.getUTCDate()
        then.setUTCMonth(then.getUTCMonth() + 1)
        // A month from the 31st is the last day of a shorter one.
        if (then.getUTCDate() !== day) then.setUTCDate(0)
    }
    return `${then.toISOString().slice(0, 10)}T23:59`
}
