// A picture that leads to itself in full size opens above the page; without this script the link does the same.
document.addEventListener('click', event => {
    const link = event.target instanceof Element ? event.target.closest('a.enlarge') : null
    if (link === null || event.ctrlKey || event.metaKey || event.shiftKey || typeof HTMLDialogElement !== 'function')
        return
    event.preventDefault()
    const dialog = document.createElement('dialog')
    dialog.className = 'enlarged'
    const image = document.createElement('img')
    image.src = link.href
    image.alt = link.querySelector('img')?.alt ?? ''
    const form = document.createElement('form')
    form.method = 'dialog'
    const close = document.createElement('button')
    close.textContent = document.documentElement.lang.startsWith('en') ? 'Close' : '×'
    form.append(close)
    dialog.append(image, form)
    dialog.addEventListener('click', on => on.target === dialog && dialog.close())
    dialog.addEventListener('close', () => {
        dialog.remove()
        link.focus()
    })
    document.body.append(dialog)
    dialog.showModal()
})
