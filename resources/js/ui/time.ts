const day = 86_400_000

/** When something happened, as people say it: today, a weekday, a date, a year. */
export function ago(iso: string, now = new Date()) {
    const then = new Date(iso)
    const days = Math.floor((startOfDay(now) - startOfDay(then)) / day)
    if (days <= 0) return 'today'
    if (days === 1) return 'yesterday'
    if (days < 7) return then.toLocaleDateString('en-GB', { weekday: 'short' })
    if (then.getFullYear() === now.getFullYear())
        return then.toLocaleDateString('en-GB', { day: 'numeric', month: 'short' })
    return then.toLocaleDateString('en-GB', { month: 'short', year: 'numeric' })
}

export function clock(iso: string) {
    return new Date(iso).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })
}

export function date(iso: string) {
    return new Date(iso).toLocaleDateString('en-GB', { day: 'numeric', month: 'long', year: 'numeric' })
}

function startOfDay(moment: Date) {
    return new Date(moment.getFullYear(), moment.getMonth(), moment.getDate()).getTime()
}

/** "3 May", with the year when it is another than this one. */
export function shortDate(iso: string, now = new Date()) {
    const then = new Date(iso)
    return then.toLocaleDateString('en-GB', {
        day: 'numeric',
        month: 'short',
        ...(then.getFullYear() === now.getFullYear() ? {} : { year: 'numeric' }),
    })
}

/** "3 May 2027, 06:00", on the clock of a zone where that is given. */
export function moment(iso: string, zone?: string) {
    return new Date(iso)
        .toLocaleString('en-GB', {
            day: 'numeric',
            month: 'long',
            year: 'numeric',
            hour: '2-digit',
            minute: '2-digit',
            ...(zone === undefined ? {} : { timeZone: zone }),
        })
        .replace(' at ', ', ')
}

/** A moment as a field for date and time holds it, on the clock of the site; what somebody just typed there stays as it is. */
export function fieldMoment(iso: string | null | undefined, zone: string) {
    if (iso === null || iso === undefined || iso === '') return ''
    return iso.endsWith('Z')
        ? new Date(iso).toLocaleString('sv-SE', { timeZone: zone }).replace(' ', 'T').slice(0, 16)
        : iso.slice(0, 16)
}
