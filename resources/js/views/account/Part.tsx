import type { ReactNode } from 'react'
import { Muted } from '../../ui/Muted'

/** A part of the account, with what it is for. */
export function Part({
    title,
    about,
    act,
    children,
}: {
    title: string
    about?: ReactNode
    act?: ReactNode
    children: ReactNode
}) {
    return (
        <section aria-label={title} className="grid gap-3">
            <div className="flex items-start gap-4 border-b border-line pb-1.5">
                <div className="min-w-0">
                    <h2 className="text-[17px] leading-6 font-bold">{title}</h2>
                    {about !== undefined && <Muted small>{about}</Muted>}
                </div>
                {act !== undefined && <div className="ml-auto shrink-0">{act}</div>}
            </div>
            {children}
        </section>
    )
}
