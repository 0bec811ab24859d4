export type Theme = 'system' | 'light' | 'dark'

const KEY = 'heronstem.theme'

export function chosenTheme(): Theme {
    const kept = localStorage.getItem(KEY)
    return kept === 'light' || kept === 'dark' ? kept : 'system'
}

export function chooseTheme(theme: Theme) {
    if (theme === 'system') localStorage.removeItem(KEY)
    else localStorage.setItem(KEY, theme)
    show()
}

/** Shows the chosen theme, and follows the system while none is chosen. */
export function startTheme() {
    show()
    matchMedia('(prefers-color-scheme: dark)').addEventListener('change', show)
}

function show() {
    const theme = chosenTheme()
    const dark = theme === 'dark' || (theme === 'system' && matchMedia('(prefers-color-scheme: dark)').matches)
    document.documentElement.dataset.theme = dark ? 'dark' : 'light'
}
