import { ChevronDown, ExternalLink, Search } from 'lucide-react'
import { lazy, useState } from 'react'
import { Kbd } from '../ui/Kbd'
import { lazily } from '../ui/lazily'
import { MenuButton } from '../ui/MenuButton'
import { useSite } from './site'

const UnderWay = lazily(() => import('./UnderWay').then(module => module.UnderWay))
const NewSite = lazily(() => import('./NewSite').then(module => module.NewSite))
const SiteList = lazy(() => import('./StripMenus').then(module => ({ default: module.SiteList })))
const WhoList = lazy(() => import('./StripMenus').then(module => ({ default: module.WhoList })))

export function TopStrip({ onGoTo }: { onGoTo: () => void }) {
    const site = useSite()
    return (
        <header className="col-span-full flex items-center gap-4 border-b border-line pr-4">
            <div className="grid w-[76px] place-items-center max-sm:w-[52px]">
                <svg
                    width="26"
                    height="30"
                    viewBox="0 0 26 30"
                    fill="none"
                    stroke="var(--heron)"
                    strokeWidth="2"
                    strokeLinecap="round"
                    role="img"
                    aria-label="Heronstem"
                >
                    <path d="M13 29V6M13 20c0-6 5-7 8-7M13 14C13 9 9 7 5 7M13 6c0-3 2-4 4-4" />
                </svg>
            </div>
            <SiteMenu />
            <button
                type="button"
                onClick={onGoTo}
                className="ml-2 flex h-8 w-[340px] min-w-0 items-center gap-2 rounded-md border border-edge bg-sheet px-2.5 text-ink-3 hover:text-ink-2 max-md:w-auto"
            >
                <Search size={15} aria-hidden />
                <span className="truncate max-md:sr-only">Go to a page, or do something</span>
                <span className="ml-auto max-md:hidden">
                    <Kbd>Ctrl K</Kbd>
                </span>
            </button>
            <div className="flex min-w-0 flex-1 justify-end">
                <UnderWay />
            </div>
            <a
                href={site.origin}
                target="_blank"
                rel="noreferrer"
                className="flex items-center gap-1 text-ink-2 hover:text-ink"
            >
                <span className="max-md:sr-only">View site</span> <ExternalLink size={14} aria-hidden />
            </a>
            <WhoMenu />
        </header>
    )
}

function SiteMenu() {
    const site = useSite()
    const [making, setMaking] = useState(false)
    return (
        <>
            <MenuButton
                className="flex min-w-0 items-center gap-1 font-[650]"
                menu={trigger => <SiteList trigger={trigger} onNew={() => setMaking(true)} />}
            >
                <span className="truncate">{site.name}</span>{' '}
                <ChevronDown size={14} className="shrink-0 text-ink-3" aria-hidden />
            </MenuButton>
            {making && <NewSite onClose={() => setMaking(false)} />}
        </>
    )
}

function WhoMenu() {
    const { session } = useSite()
    const initials = session.name
        .split(' ')
        .map(word => word.charAt(0))
        .join('')
        .slice(0, 2)
    return (
        <MenuButton
            aria-label={`${initials}, signed in as ${session.name}`}
            className="grid size-7 shrink-0 place-items-center rounded-full bg-heron text-[12px] font-bold text-on-heron"
            menu={trigger => <WhoList trigger={trigger} />}
        >
            {initials}
        </MenuButton>
    )
}
