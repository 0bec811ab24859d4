// A film of another site plays in its place once it is clicked; until then, and without this script, it is a link.
document.addEventListener('click', event => {
    const link = event.target instanceof Element ? event.target.closest('a.film[data-film]') : null
    if (link === null || event.ctrlKey || event.metaKey || event.shiftKey) return
    event.preventDefault()
    const frame = document.createElement('iframe')
    frame.className = 'film-frame'
    frame.src = link.dataset.film
    frame.title = link.querySelector('strong')?.textContent ?? ''
    frame.width = link.dataset.width
    frame.height = link.dataset.height
    frame.allow = 'autoplay; fullscreen'
    frame.referrerPolicy = 'strict-origin-when-cross-origin'
    link.replaceWith(frame)
    frame.focus()
})
