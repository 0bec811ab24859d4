import { Link } from '@tanstack/react-router'
import {
    Layers2,
    History,
    Images,
    Keyboard,
    LayoutTemplate,
    SearchCheck,
    ListTree,
    PanelTop,
    Signpost,
    Users,
} from 'lucide-react'
import { useSite } from './site'
import { lazily } from '../ui/lazily'

const ThemeSwitch = lazily(
    () => import('./ThemeSwitch').then(module => module.ThemeSwitch),
    <div className="h-[52px]" />,
)

const views = [
    ['/s/$site/outline', 'Outline', ListTree],
    ['/s/$site/menus', 'Menus', PanelTop],
    ['/s/$site/addresses', 'Addresses', Signpost],
    ['/s/$site/findability', 'Findability', SearchCheck],
    ['/s/$site/files', 'Files', Images],
    ['/s/$site/layouts', 'Layouts', LayoutTemplate],
    ['/s/$site/people', 'People', Users],
    ['/s/$site/history', 'History', History],
    ['/s/$site/plans', 'Plans', Layers2],
] as const

/** The views, one below the other. */
export function Rail({ onKeys }: { onKeys: () => void }) {
    const site = useSite()
    const look =
        'relative grid w-full justify-items-center gap-1 py-2 text-[12px] leading-[14px] text-ink-2 hover:text-ink [&.active]:font-[650] [&.active]:text-heron [&.active]:before:absolute [&.active]:before:inset-y-2 [&.active]:before:left-0 [&.active]:before:w-[3px] [&.active]:before:rounded-r-sm [&.active]:before:bg-heron max-sm:text-[11px]'
    return (
        <div className="flex flex-col gap-0.5 border-r border-line py-2">
            <nav aria-label="Views">
                {views.map(([to, name, Sign]) => (
                    <Link key={to} to={to} params={{ site: site.key }} className={look}>
                        <Sign size={20} strokeWidth={1.7} aria-hidden />
                        {name}
                    </Link>
                ))}
            </nav>
            <div className="mt-auto">
                <ThemeSwitch className={look} />
                <button type="button" className={look} onClick={onKeys}>
                    <Keyboard size={20} strokeWidth={1.7} aria-hidden />
                    Keys
                </button>
            </div>
        </div>
    )
}
