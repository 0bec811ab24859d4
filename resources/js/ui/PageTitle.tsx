import type { ReactNode } from 'react'

/** What the view is: one on every view. */
export function PageTitle({ children }: { children: ReactNode }) {
    return <h1 className="text-[20px] leading-6 font-bold tracking-[-0.01em]">{children}</h1>
}
