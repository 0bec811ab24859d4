const day = 86_400_000

/** When something happened, as people say it: today, a weekday, a date, a year. */
export function ago(iso: string, now = new Date()) {
    const then = new Date(iso)
    const days = Math.floor((startOfDay(now) - startOfDay(then)) / day)
    if (days <= 0) return 'today'
    if (days === 1) return 'yesterday'
    if (days < 7) return then.toLocaleDateString('en-GB', { weekday: 'short' })
    if (then.getFullYear() === now.getFullYear()) return then.toLocaleDateString('en-GB', { day: 'numeric', month: 'short' })
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
