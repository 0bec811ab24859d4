import type { ReactNode } from 'react'
import { Muted } from '../../ui/Muted'

/** What stands in place of rows, and what to do then. */
export function Message({ title, text, children }: { title: string; text: string; children: ReactNode }) {
    return (
        <div className="grid max-w-[420px] flex-1 content-start gap-2 px-4 pt-16 pl-24">
            <h2 className="text-[17px] font-bold">{title}</h2>
            <Muted>{text}</Muted>
            <div className="mt-1">{children}</div>
        </div>
    )
}

/** Rows to come, drawn where they will be, so that nothing jumps. */
export function Loading() {
    return (
        <div className="grid flex-1 content-start gap-3 px-4 pt-12" role="status" aria-label="Reading the outline">
            {[180, 120, 150, 140, 90, 170, 130].map((width, i) => (
                <div key={i} className="ml-5 h-5 rounded bg-sunk" style={{ width, marginLeft: i === 0 ? 0 : 24 }} />
            ))}
        </div>
    )
}
