import type { ReactNode } from 'react'
import { Muted } from '../../ui/Muted'
import { PageTitle } from '../../ui/PageTitle'

/** What the menu is called, where it is shown, and what can be done to it. */
export function MenuTitle({
    name,
    place,
    isPicks,
    children,
}: {
    name: string
    place: string | undefined
    isPicks: boolean
    children: ReactNode
}) {
    return (
        <div className="flex min-h-14 flex-wrap items-center gap-x-4 gap-y-2 px-4 py-2">
            <PageTitle help={isPicks ? 'front-page' : 'main-menu'}>{name}</PageTitle>
            <Muted>{place ?? 'shown nowhere'}</Muted>
            <span className="ml-auto flex items-center gap-2">{children}</span>
        </div>
    )
}
