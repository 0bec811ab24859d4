// Notes what moves on a page without anybody having acted: the standard's layout shifts, whose half second after an input is let pass.
window.shiftsNoted = []
const nameOf = node => {
    const element = node?.nodeType === Node.ELEMENT_NODE ? node : node?.parentElement
    const within = element?.closest('[role=dialog], aside, main, header, nav, [role=row], form')
    const name = (element?.getAttribute('aria-label') || element?.innerText || '').trim().slice(0, 40)
    return `${element?.localName}.${String(element?.className).slice(0, 40)} “${name}” in ${within?.localName}`
}
const box = ({ x, y, width, height }) => [x, y, width, height].map(Math.round).join(',')
new PerformanceObserver(list => {
    for (const shift of list.getEntries()) {
        if (shift.hadRecentInput) continue
        const what = shift.sources.map(
            each => `${nameOf(each.node)} ${box(each.previousRect)} → ${box(each.currentRect)}`,
        )
        window.shiftsNoted.push(
            `${Math.round(shift.startTime)} ms ${shift.value.toFixed(4)} ${location.pathname}: ${what.join('; ')}`,
        )
    }
}).observe({ type: 'layout-shift', buffered: true })
