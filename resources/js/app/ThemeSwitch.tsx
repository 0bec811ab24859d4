import { Moon, Sun, SunMoon } from 'lucide-react'
import { useState } from 'react'
import { chooseTheme, chosenTheme, type Theme } from './theme'

const next: Record<Theme, Theme> = { system: 'dark', dark: 'light', light: 'system' }
const shown = {
    system: { icon: SunMoon, word: 'System' },
    dark: { icon: Moon, word: 'Dark' },
    light: { icon: Sun, word: 'Light' },
}

export function ThemeSwitch({ className }: { className: string }) {
    const [theme, setTheme] = useState(chosenTheme)
    const { icon: Icon, word } = shown[theme]
    const turn = () => {
        chooseTheme(next[theme])
        setTheme(next[theme])
    }
    return (
        <button
            type="button"
            className={className}
            onClick={turn}
            aria-label={`Colours: ${word}. Change to ${shown[next[theme]].word}`}
        >
            <Icon size={20} strokeWidth={1.7} aria-hidden />
            {word}
        </button>
    )
}
