import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useNavigate } from '@tanstack/react-router'
import { ChevronDown, ExternalLink, Search } from 'lucide-react'
import { DropdownMenu } from 'radix-ui'
import { answered, api } from '../api/client'
import { Kbd } from '../ui/Kbd'
import { useSite } from './site'

const item =
    'flex cursor-pointer items-center gap-2 rounded px-2.5 py-1.5 outline-none data-[highlighted]:bg-heron-soft'
const list = 'z-50 min-w-[200px] rounded-md bg-sheet p-1 shadow-float'

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
                className="mx-auto flex h-8 w-[420px] min-w-0 items-center gap-2 rounded-md border border-edge bg-sheet px-2.5 text-ink-3 hover:text-ink-2 max-md:w-auto"
            >
                <Search size={15} aria-hidden />
                <span className="truncate max-md:sr-only">Go to a page, or type a new name</span>
                <span className="ml-auto max-md:hidden">
                    <Kbd>Ctrl K</Kbd>
                </span>
            </button>
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
    const navigate = useNavigate()
    return (
        <DropdownMenu.Root>
            <DropdownMenu.Trigger className="flex min-w-0 items-center gap-1 font-[650]">
                <span className="truncate">{site.name}</span>{' '}
                <ChevronDown size={14} className="shrink-0 text-ink-3" aria-hidden />
            </DropdownMenu.Trigger>
            <DropdownMenu.Portal>
                <DropdownMenu.Content align="start" sideOffset={6} className={list}>
                    <DropdownMenu.Label className="px-2.5 py-1 text-[12px] text-ink-3">Your sites</DropdownMenu.Label>
                    {site.session.sites.map(each => (
                        <DropdownMenu.Item
                            key={each.key}
                            className={item}
                            onSelect={() => void navigate({ to: '/s/$site/outline', params: { site: each.key } })}
                        >
                            <span className={each.key === site.key ? 'font-[650]' : ''}>{each.name}</span>
                            <span className="ml-auto text-[12px] text-ink-3">{each.role}</span>
                        </DropdownMenu.Item>
                    ))}
                </DropdownMenu.Content>
            </DropdownMenu.Portal>
        </DropdownMenu.Root>
    )
}

function WhoMenu() {
    const { session } = useSite()
    const queries = useQueryClient()
    const navigate = useNavigate()
    const signOut = useMutation({
        mutationFn: () => answered(api.DELETE('/session')),
        onSettled: async () => {
            queries.clear()
            await navigate({ to: '/sign-in', search: {} })
        },
    })
    const initials = session.name
        .split(' ')
        .map(word => word.charAt(0))
        .join('')
        .slice(0, 2)
    return (
        <DropdownMenu.Root>
            <DropdownMenu.Trigger
                aria-label={`${initials}, signed in as ${session.name}`}
                className="grid size-7 shrink-0 place-items-center rounded-full bg-heron text-[12px] font-bold text-on-heron"
            >
                {initials}
            </DropdownMenu.Trigger>
            <DropdownMenu.Portal>
                <DropdownMenu.Content align="end" sideOffset={6} className={list}>
                    <div className="px-2.5 py-1.5">
                        <div className="font-semibold">{session.name}</div>
                        <div className="text-[12px] text-ink-3">{session.email}</div>
                    </div>
                    <DropdownMenu.Separator className="my-1 h-px bg-line" />
                    <DropdownMenu.Item className={item} onSelect={() => signOut.mutate()}>
                        Sign out
                    </DropdownMenu.Item>
                </DropdownMenu.Content>
            </DropdownMenu.Portal>
        </DropdownMenu.Root>
    )
}
