import { Reed } from './Reeds'

/** What the marks of the outline mean, in one line below it. */
export function Legend() {
    return (
        <p className="mt-auto flex h-7 shrink-0 items-center gap-x-5 overflow-hidden border-t border-line px-4 text-[12px] whitespace-nowrap text-ink-3 max-md:hidden">
            <span>Reach: clicks from the start page · pages that link here</span>
            <span className="flex items-center gap-1.5">
                Search: title, description, index <Reed look="full" /> set <Reed look="part" /> falls back{' '}
                <Reed look="missing" /> missing
            </span>
        </p>
    )
}
