import clsx from 'clsx'
import { BookmarkCheck } from 'lucide-react'
import { Hint } from '../../ui/Hint'

/** On how many picks a page is; the button that puts it on one, or takes it off. */
export function Picks({ page, onPick }: { page: { name: string; picks: string[] }; onPick: () => void }) {
    const on = page.picks.length
    return (
        <Hint description={on === 0 ? 'Add it to picks (P)' : `Picked: ${page.picks.join(', ')}`}>
            <button
                type="button"
                tabIndex={-1}
                aria-label={on === 0 ? `Add ${page.name} to picks` : `${page.name} is picked: ${page.picks.join(', ')}`}
                onClick={event => {
                    event.stopPropagation()
                    onPick()
                }}
                className={clsx(
                    'flex h-6 items-center gap-1 rounded px-1 text-[12px] hover:bg-heron-soft',
                    on === 0
                        ? 'text-ink-3 opacity-0 group-hover/row:opacity-100 focus-visible:opacity-100'
                        : 'text-reed',
                )}
            >
                <BookmarkCheck size={14} aria-hidden />
                {on > 1 && on}
            </button>
        </Hint>
    )
}
