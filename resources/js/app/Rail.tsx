import { Link } from '@tanstack/react-router'
import { History, Images, Keyboard, LayoutTemplate, SearchCheck, ListTree, PanelTop, Signpost } from 'lucide-react'
import { useSite } from './site'
import { lazily } from '../ui/lazily'

const ThemeSwitch = lazily(
    () => import('./ThemeSwitch').then(module => module.ThemeSwitch),
    <div className="h-[52px]" />,
)

/** The views, one below the other. */
export function Rail({ onKeys }: { onKeys: () => void }) {
    const site = useSite()
    const look =
        'relative grid w-full justify-items-center gap-1 py-2 text-[12px] leading-[14px] text-ink-2 hover:text-ink [&.active]:font-[650] [&.active]:text-heron [&.active]:before:absolute [&.active]:before:inset-y-2 [&.active]:before:left-0 [&.active]:before:w-[3px] [&.active]:before:rounded-r-sm [&.active]:before:bg-heron max-sm:text-[11px]'
    return (
        <div className="flex flex-col gap-0.5 border-r border-line py-2">
            <nav aria-label="Views">
                <Link to="/s/$site/outline" params={{ site: site.key }} className={look}>
                    <ListTree size={20} strokeWidth={1.7} aria-hidden />
                    Outline
                </Link>
                <Link to="/s/$site/menus" params={{ site: site.key }} className={look}>
                    <PanelTop size={20} strokeWidth={1.7} aria-hidden />
                    Menus
                </Link>
                <Link to="/s/$site/addresses" params={{ site: site.key }} className={look}>
                    <Signpost size={20} strokeWidth={1.7} aria-hidden />
                    Addresses
                </Link>
                <Link to="/s/$site/findability" params={{ site: site.key }} className={look}>
                    <SearchCheck size={20} strokeWidth={1.7} aria-hidden />
                    Findability
                </Link>
                <Link to="/s/$site/files" params={{ site: site.key }} className={look}>
                    <Images size={20} strokeWidth={1.7} aria-hidden />
                    Files
                </Link>
                <Link to="/s/$site/layouts" params={{ site: site.key }} className={look}>
                    <LayoutTemplate size={20} strokeWidth={1.7} aria-hidden />
                    Layouts
                </Link>
                <Link to="/s/$site/history" params={{ site: site.key }} className={look}>
                    <History size={20} strokeWidth={1.7} aria-hidden />
                    History
                </Link>
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
