const day = 86_400_000

/** How dates are written, and on whose clock: as the site has it that one works on. */
let here: { language: string; zone: string | undefined } = { language: 'en-GB', zone: undefined }

export function timesAreOf({ language, zone }: { language: string; zone: string }) {
    here = { language: known(language) ? language : 'en-GB', zone }
}

export const writtenIn = () => here.language

function known(language: string) {
    try {
        return Intl.DateTimeFormat.supportedLocalesOf(language).length > 0
    } catch {
        return false
    }
}

const written = (then: Date, how: Intl.DateTimeFormatOptions) =>
    then.toLocaleString(here.language, { timeZone: here.zone, ...how })

/** The day on the clock of the site, `2027-05-03`. */
const dayOf = (then: Date) => then.toLocaleDateString('sv-SE', { timeZone: here.zone })

const isOfYear = (then: Date, now: Date) => dayOf(then).slice(0, 4) === dayOf(now).slice(0, 4)

/** When something happened, as people say it: today, a weekday, a date, a year. */
export function ago(iso: string, now = new Date()) {
    const then = new Date(iso)
    const days = Math.round((Date.parse(dayOf(now)) - Date.parse(dayOf(then))) / day)
    if (days <= 0) return 'today'
    if (days === 1) return 'yesterday'
    if (days < 7) return written(then, { weekday: 'short' })
    if (isOfYear(then, now)) return written(then, { day: 'numeric', month: 'short' })
    return written(then, { month: 'short', year: 'numeric' })
}

export function clock(iso: string) {
    return written(new Date(iso), { hour: '2-digit', minute: '2-digit' })
}

export function date(iso: string) {
    return written(new Date(iso), { day: 'numeric', month: 'long', year: 'numeric' })
}

/** "3 May", with the year when it is another than this one. */
export function shortDate(iso: string, now = new Date()) {
    const then = new Date(iso)
    return written(then, {
        day: 'numeric',
        month: 'short',
        ...(isOfYear(then, now) ? {} : { year: 'numeric' }),
    })
}

/** "3 May 2027, 06:00", on the clock of a zone where that is given. */
export function moment(iso: string, zone?: string) {
    return written(new Date(iso), {
        day: 'numeric',
        month: 'long',
        year: 'numeric',
        hour: '2-digit',
        minute: '2-digit',
        ...(zone === undefined ? {} : { timeZone: zone }),
    }).replace(' at ', ', ')
}

/** A moment as a field for date and time holds it, on the clock of the site; what somebody just typed there stays as it is. */
export function fieldMoment(iso: string | null | undefined, zone: string) {
    if (iso === null || iso === undefined || iso === '') return ''
    return iso.endsWith('Z')
        ? new Date(iso).toLocaleString('sv-SE', { timeZone: zone }).replace(' ', 'T').slice(0, 16)
        : iso.slice(0, 16)
}
