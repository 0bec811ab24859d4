import { getRouteApi, useNavigate, useRouter } from '@tanstack/react-router'
import { useCallback, useEffect, useRef } from 'react'
import { Outline } from '../views/outline/Outline'
import { lazily } from '../ui/lazily'
import type { OutlineSearch } from './outlineSearch'

const PageSheet = lazily(
    () => import('../views/sheet/PageSheet').then(module => module.PageSheet),
    <div className="w-[432px] shrink-0 border-l border-line bg-sheet max-md:hidden" />,
)
const route = getRouteApi('/s/$site/outline')

/** The outline, and beside it the sheet of the page named in the address. */
export function OutlinePage() {
    const { site } = route.useParams()
    const search = route.useSearch()
    const navigate = useNavigate()
    const router = useRouter()
    const own = useRef(search)
    useEffect(() => {
        own.current = search
    }, [search])
    const set = useCallback(
        (change: Partial<OutlineSearch>, how: { replace: boolean } = { replace: true }) => {
            const isHere = router.latestLocation.pathname.endsWith('/outline')
            // While another view is still being fetched this one is seen, but the address is the other's already: what this one
            // only notes there would bring it back.
            if (!isHere && how.replace) return
            void navigate({
                to: '/s/$site/outline',
                params: { site },
                search: previous => ({ ...(isHere ? previous : own.current), ...change }),
                replace: how.replace,
            })
        },
        [navigate, router, site],
    )
    const write = useCallback(
        (page: string) => void navigate({ to: '/s/$site/write/$page', params: { site, page } }),
        [navigate, site],
    )
    return (
        <div className="flex h-full min-h-0">
            <Outline key={site} search={search} set={set} compact={search.page !== undefined} onWrite={write} />
            {search.page !== undefined && (
                <PageSheet
                    key={search.page}
                    page={search.page}
                    tab={search.tab ?? 'details'}
                    onTab={tab => set({ tab })}
                    onClose={() => set({ page: undefined, tab: undefined }, { replace: false })}
                    onGoTo={page => set({ page, row: page }, { replace: false })}
                />
            )}
        </div>
    )
}
