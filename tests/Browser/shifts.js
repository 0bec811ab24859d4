// Notes what moves on a page by itself: the standard's layout shifts, but for those that belong to what was just done. A browser lets half a
// second pass after an input, which is a matter of how busy the machine is; here an act lasts as well until all that it asked for has come and
// been drawn: answers of the server, what is sent to it, parts of the program that are fetched when they are first needed, and whatever keeps
// the page busy. What comes later (a hint after a pause in typing, what others did) must find its room kept.
const acts = [0]
/** How long drawing what has come may take, and what follows from it may wait to begin; half of what a browser allows. */
const DRAWN = 250
const works = []
const shifts = []
const ask = window.fetch
window.fetch = (...request) => {
    const work = { from: performance.now(), to: Infinity }
    works.push(work)
    const answer = ask(...request)
    const done = () => (work.to = performance.now())
    // The whole of it, not its first line alone.
    answer.then(whole => whole.clone().arrayBuffer()).then(done, done)
    return answer
}
const send = XMLHttpRequest.prototype.send
XMLHttpRequest.prototype.send = function (body) {
    const work = { from: performance.now(), to: Infinity }
    works.push(work)
    this.addEventListener('loadend', () => (work.to = performance.now()))
    send.call(this, body)
}
for (const input of ['pointerdown', 'pointerup', 'keydown', 'keyup', 'dragend', 'drop', 'resize'])
    addEventListener(input, () => acts.push(performance.now()), true)
new PerformanceObserver(list => {
    for (const part of list.getEntries())
        if (part.name.endsWith('.js')) works.push({ from: part.startTime, to: part.responseEnd })
}).observe({ type: 'resource', buffered: true })
new PerformanceObserver(list => {
    for (const task of list.getEntries()) works.push({ from: task.startTime, to: task.startTime + task.duration })
}).observe({ type: 'longtask', buffered: true })

// A frame that comes late tells of whatever else keeps the machine busy.
let last = performance.now()
const beat = now => {
    if (now - last > 50) works.push({ from: last, to: now })
    last = now
    requestAnimationFrame(beat)
}
requestAnimationFrame(beat)

const nameOf = node => {
    const element = node?.nodeType === Node.ELEMENT_NODE ? node : node?.parentElement
    const within = element?.closest('[role=dialog], aside, main, header, nav, [role=row], form')
    const name = (element?.getAttribute('aria-label') || element?.innerText || '')
        .replace(/\s+/g, ' ')
        .trim()
        .slice(0, 40)
    return `${element?.localName}.${String(element?.className).slice(0, 40)} “${name}” in ${within?.localName}`
}
const box = ({ x, y, width, height }) => [x, y, width, height].map(Math.round).join(',')
new PerformanceObserver(list => {
    for (const shift of list.getEntries()) {
        if (shift.hadRecentInput) continue
        const what = shift.sources.map(
            each => `${nameOf(each.node)} ${box(each.previousRect)} → ${box(each.currentRect)}`,
        )
        shifts.push({ at: shift.startTime, value: shift.value, said: `${location.pathname}: ${what.join('; ')}` })
    }
}).observe({ type: 'layout-shift', buffered: true })
const movedByItself = () => {
    if (shifts.length === 0) return []
    works.sort((one, other) => one.from - other.from)
    // Until when each act lasts: each work that it, or what came of it, set going a moment before.
    const lasts = acts.map(act =>
        works.reduce(
            (to, work) => (work.from >= act && work.from <= to ? Math.max(to, work.to + DRAWN) : to),
            act + DRAWN,
        ),
    )
    return shifts
        .splice(0)
        .filter(shift => !acts.some((act, i) => act <= shift.at && shift.at <= lasts[i]))
        .map(shift => `${shift.value.toFixed(4)} ${Math.round(shift.at)} ms ${shift.said}`)
}
// Frames that are shut off have no storage, and nobody asks them.
const isWhole = window.origin !== 'null'
const kept = isWhole ? JSON.parse(sessionStorage.getItem('movedByItself') ?? '[]') : []
if (isWhole) sessionStorage.removeItem('movedByItself')
window.movedUntilNow = () => [...kept.splice(0), ...movedByItself()]
addEventListener(
    'pagehide',
    () => isWhole && sessionStorage.setItem('movedByItself', JSON.stringify(window.movedUntilNow())),
)
