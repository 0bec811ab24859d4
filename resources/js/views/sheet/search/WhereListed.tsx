import type { ReactNode } from 'react'

/** What only matters while search engines may list the page: folded where it is unlisted. */
export function WhereListed({ isListed, children }: { isListed: boolean; children: ReactNode }) {
    if (isListed) return children
    return (
        <details className="rounded border border-line px-3 py-2">
            <summary className="cursor-pointer text-ink-2">
                Does not apply now: the page is unlisted, so search engines are asked not to list it
            </summary>
            <div className="mt-3 grid gap-4">{children}</div>
        </details>
    )
}
