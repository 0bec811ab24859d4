import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useNavigate } from '@tanstack/react-router'
import type { ReactNode } from 'react'
import { answered, api } from '../api/client'
import { keys } from '../api/queries'
import { MenuAct, MenuLine, MenuList } from '../ui/MenuList'
import { ago } from '../ui/time'
import { notify } from './notify'
import { useSite } from './site'

export function SiteList({ trigger, onNew }: { trigger: ReactNode; onNew: () => void }) {
    const site = useSite()
    const queries = useQueryClient()
    const navigate = useNavigate()
    const removed = useQuery({
        queryKey: [...keys.session, 'removed'],
        queryFn: ({ signal }) => answered(api.GET('/removed-sites', { signal })),
        enabled: site.isOwner,
    })
    const back = useMutation({
        mutationFn: (key: string) => answered(api.POST('/removed-sites/{key}', { params: { path: { key } } })),
        onSuccess: async (now, key) => {
            queries.setQueryData(keys.session, now)
            await navigate({ to: '/s/$site/outline', params: { site: key } })
        },
        onError: problem => notify.error(problem.message),
    })
    return (
        <MenuList trigger={trigger} offset={6} className="w-[300px]">
            <p className="px-2.5 py-1 text-[12px] text-ink-3">Your sites</p>
            {site.session.sites.map(each => (
                <MenuAct
                    key={each.key}
                    onSelect={() => void navigate({ to: '/s/$site/outline', params: { site: each.key } })}
                >
                    <span className={each.key === site.key ? 'font-[650]' : ''}>{each.name}</span>
                    <span className="ml-auto text-[12px] text-ink-3">{each.roles.join(', ')}</span>
                </MenuAct>
            ))}
            <MenuLine />
            <MenuAct onSelect={() => void navigate({ to: '/s/$site/settings', params: { site: site.key } })}>
                Settings of this site
            </MenuAct>
            {site.makes && (
                <MenuAct onSelect={() => void navigate({ to: '/s/$site/bring-in', params: { site: site.key } })}>
                    Import pages
                </MenuAct>
            )}
            <MenuAct onSelect={() => void navigate({ to: '/s/$site/take-out', params: { site: site.key } })}>
                Export the site
            </MenuAct>
            {site.session.sites.some(each => each.isOwner) && (
                // The menu closes, and lets the focus go, before the dialog takes it.
                <MenuAct onSelect={() => setTimeout(onNew)}>New site…</MenuAct>
            )}
            {/* Last: they come after the menu has opened. */}
            {removed.data?.map(each => (
                <MenuAct key={each.key} onSelect={() => back.mutate(each.key)}>
                    <span>Bring back {each.name}</span>
                    <span className="ml-auto pl-3 text-[12px] text-ink-3">removed {ago(each.since)}</span>
                </MenuAct>
            ))}
        </MenuList>
    )
}

export function WhoList({ trigger }: { trigger: ReactNode }) {
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
    return (
        <MenuList trigger={trigger} align="end" offset={6} className="min-w-[200px]">
            <div className="px-2.5 py-1.5">
                <div className="font-semibold">{session.name}</div>
                <div className="text-[12px] text-ink-3">{session.email}</div>
            </div>
            <MenuLine />
            <MenuAct onSelect={() => void navigate({ to: '/account' })}>Your account</MenuAct>
            <MenuAct onSelect={() => signOut.mutate()}>Sign out</MenuAct>
        </MenuList>
    )
}
