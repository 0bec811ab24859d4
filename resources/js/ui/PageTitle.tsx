import type { ReactNode } from 'react'
import { HelpLink, type Task } from './HelpLink'

/** What the view is: one on every view, with the guide's page for what is done there. */
export function PageTitle({ help, children }: { help?: Task; children: ReactNode }) {
    return (
        <span className="flex items-center gap-0.5">
            <h1 className="text-[20px] leading-6 font-bold tracking-[-0.01em]">{children}</h1>
            {help !== undefined && <HelpLink task={help} />}
        </span>
    )
}
