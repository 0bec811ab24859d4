/** What somebody types as a date, or a date with a time, in whatever way they write it; and how it is written back. */

export type MomentKind = 'day' | 'minute'

/** `2027-05-03`, or `2027-05-03T06:00`, as the API has them: on the clock of the site. */
export function written(value: string, kind: MomentKind, language: string) {
    if (value === '') return ''
    // A date alone is no moment: no zone may shift it.
    const then = new Date(`${value.slice(0, 10)}T${kind === 'day' ? '12:00' : value.slice(11, 16)}:00Z`)
    if (Number.isNaN(then.getTime())) return value
    return then
        .toLocaleString(language, {
            timeZone: 'UTC',
            day: 'numeric',
            month: 'short',
            year: 'numeric',
            ...(kind === 'minute' ? { hour: '2-digit', minute: '2-digit', hourCycle: 'h23' } : {}),
        })
        .replace(' at ', ', ')
}

/** What was meant; null where it is no date. Without a time, the day begins. */
export function read(typed: string, kind: MomentKind, language: string, today: string): string | null {
    const text = typed.trim().toLowerCase()
    const time = /(?:^|[\st,])(\d{1,2})[:.](\d{2})\s*(am|pm)?\s*$/.exec(text)
    const clock = time === null ? '00:00' : clockOf(Number(time[1]), Number(time[2]), time[3])
    const rest = (time === null ? text : text.slice(0, time.index))
        .replace(/[\s,]+$/, '')
        // "kl.", "à", "um": a word between year and time.
        .replace(/(\d{4})\s+\p{L}+\.?$/u, '$1')
    // "3.5" is a date and no time where nothing else is one.
    const day = dayOf(rest, language, today) ?? (time === null ? null : dayOf(text, language, today))
    if (day === null || clock === null) return null
    return kind === 'day' ? day : `${day}T${clock}`
}

function clockOf(hour: number, minute: number, half: string | undefined) {
    const at = half === 'pm' && hour < 12 ? hour + 12 : half === 'am' && hour === 12 ? 0 : hour
    return at > 23 || minute > 59 ? null : `${String(at).padStart(2, '0')}:${String(minute).padStart(2, '0')}`
}

function dayOf(text: string, language: string, today: string): string | null {
    if (text === 'today') return today
    if (text === 'tomorrow') return later(today, 1)
    const iso = /^(\d{4})-(\d{1,2})-(\d{1,2})$/.exec(text)
    if (iso !== null) return valid(Number(iso[1]), Number(iso[2]), Number(iso[3]))
    const named =
        /^(?:\p{L}+\.?,?\s+)?(?:(\d{1,2})(?:st|nd|rd|th|\.)?\s+(?:de\s+)?(\p{L}+)\.?|(\p{L}+)\.?\s+(\d{1,2})(?:st|nd|rd|th)?),?(?:\s+(?:de\s+)?(\d{4}))?$/u.exec(
            text,
        )
    if (named !== null) {
        const month = monthOf(named[2] ?? named[3] ?? '', language)
        const date = Number(named[1] ?? named[4])
        return month === null ? null : inYear(named[5], month, date, today)
    }
    const figures = /^(\d{1,2})[./-]\s?(\d{1,2})(?:[./-]\s?(\d{4}|\d{2})?)?$/.exec(text)
    if (figures === null) return null
    const [first, second] = [Number(figures[1]), Number(figures[2])]
    const [month, date] = beginsWithMonth(language) ? [first, second] : [second, first]
    return inYear(figures[3], month, date, today)
}

/** The year that was written, or the next in which that day is still to come. */
function inYear(year: string | undefined, month: number, date: number, today: string) {
    if (year !== undefined && year !== '')
        return valid(year.length === 2 ? 2000 + Number(year) : Number(year), month, date)
    const this_ = valid(Number(today.slice(0, 4)), month, date)
    return this_ !== null && this_ < today ? valid(Number(today.slice(0, 4)) + 1, month, date) : this_
}

function valid(year: number, month: number, date: number) {
    const then = new Date(Date.UTC(year, month - 1, date))
    return then.getUTCFullYear() === year && then.getUTCMonth() === month - 1 && then.getUTCDate() === date
        ? then.toISOString().slice(0, 10)
        : null
}

const later = (day: string, days: number) => new Date(Date.parse(day) + days * 86_400_000).toISOString().slice(0, 10)

/** By its name in the language of the site, or in English, short or long; or by the beginning of one alone. */
function monthOf(typed: string, language: string): number | null {
    const name = typed.replace(/\.$/, '')
    for (const each of [language, 'en']) {
        const forms = Array.from({ length: 12 }, (_, month) => formsOf(month, each))
        const exact = forms.findIndex(of => of.includes(name))
        if (exact >= 0) return exact + 1
        const begun = forms.flatMap((of, month) =>
            name.length >= 3 && of.some(form => form.startsWith(name) || (name.length === 4 && name.startsWith(form)))
                ? [month]
                : [],
        )
        if (begun.length === 1 && begun[0] !== undefined) return begun[0] + 1
    }
    return null
}

/** As they are written in a date: in some languages otherwise than by themselves. */
function formsOf(month: number, language: string) {
    const then = new Date(Date.UTC(2027, month, 1))
    return (['long', 'short'] as const).flatMap(form =>
        [
            { day: 'numeric', month: form, year: 'numeric', timeZone: 'UTC' } as const,
            { month: form, timeZone: 'UTC' } as const,
        ]
            .map(
                how =>
                    new Intl.DateTimeFormat(language, how).formatToParts(then).find(part => part.type === 'month')
                        ?.value ?? '',
            )
            .map(value => value.toLowerCase().replace(/\.$/, '')),
    )
}

function beginsWithMonth(language: string) {
    const parts = new Intl.DateTimeFormat(language).formatToParts(new Date())
    return parts.findIndex(part => part.type === 'month') < parts.findIndex(part => part.type === 'day')
}
